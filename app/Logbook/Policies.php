<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyReader;

/**
 * The policies of the logbook by key, such as "standard-1".
 *
 * @phpstan-import-type PolicyData from PolicyReader
 */
final readonly class Policies
{
    /** Standard first, since the others are compared with it. */
    public const ORDER = "ORDER BY CASE policy_id WHEN 'standard' THEN 0 ELSE 1 END, recorded_at, policy_key";

    public function __construct(private Connection $connection, private PolicyReader $reader, private ShippedPolicies $shipped)
    {
    }

    public function get(string $key): Policy
    {
        return $this->reader->read($this->data($key));
    }

    /**
     * A rule that came with a later release, and that this version therefore does not name, holds as the release ships it:
     * what an older policy does not know is not passed over in silence.
     *
     * @return PolicyData complete
     */
    public function data(string $key): array
    {
        $json = $this->connection->fetchOne('SELECT data FROM policy_version WHERE policy_key = ?', [$key]);
        if (!\is_string($json)) {
            throw Problem::missing('Policy '.$key);
        }

        $data = self::decoded($json);
        $shipped = $this->shipped->all();

        return $this->reader->complete([...$data, 'basedOn' => isset($shipped[$data['id']]) ? $data['id'] : 'standard'], $shipped);
    }

    /**
     * The newest version of each policy.
     *
     * @return list<string> keys
     */
    public function newest(): array
    {
        $keys = $this->connection->fetchFirstColumn(
            'SELECT p.policy_key FROM policy_version p WHERE p.version = (SELECT MAX(q.version) FROM policy_version q '
                .'WHERE q.policy_id = p.policy_id) '.self::ORDER,
        );

        return array_values(array_filter($keys, \is_string(...)));
    }

    /** @return PolicyData */
    private static function decoded(string $json): array
    {
        /** @var PolicyData */
        return json_decode($json, true, 32, \JSON_THROW_ON_ERROR);
    }

    /** The number of the latest version of a policy; 0 where there is none. */
    public function latest(string $id): int
    {
        $latest = $this->connection->fetchOne('SELECT MAX(version) FROM policy_version WHERE policy_id = ?', [$id]);

        return \is_numeric($latest) ? (int) $latest : 0;
    }

    /** @return list<array<string, mixed>> rows of all versions, without their data */
    public function versions(): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT policy_key, version, recorded_by, recorded_at FROM policy_version '.self::ORDER,
        );
    }
}
