<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

use Doctrine\DBAL\Connection;
use Footnote\App\Http\Problem;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyReader;

/**
 * The policies of the logbook by key, such as "standard-1".
 *
 * @phpstan-import-type PolicyData from PolicyReader
 */
final readonly class Policies
{
    public const SHIPPED = ['standard', 'cautious', 'survey'];

    public function __construct(private Connection $connection, private PolicyReader $reader, private string $projectDir)
    {
    }

    public function get(string $key): Policy
    {
        return $this->reader->read($this->data($key));
    }

    /** @return PolicyData complete */
    public function data(string $key): array
    {
        $json = $this->connection->fetchOne('SELECT data FROM policy_version WHERE policy_key = ?', [$key]);
        if (!\is_string($json)) {
            throw Problem::missing('Policy '.$key);
        }

        return self::decoded($json);
    }

    /**
     * A shipped policy with all that it is based on, read from its file.
     *
     * @return PolicyData
     */
    public function shipped(string $id): array
    {
        $read = fn (string $name): array => self::decoded((string) file_get_contents($this->projectDir.'/core/Judgement/shipped/'.$name.'.json'));

        return $this->reader->complete($read($id), ['standard' => $read('standard')]);
    }

    /**
     * The newest version of each policy.
     *
     * @return list<string> keys
     */
    public function newest(): array
    {
        $keys = $this->connection->fetchFirstColumn('SELECT p.policy_key FROM policy_version p WHERE p.version = (SELECT MAX(q.version) FROM policy_version q WHERE q.policy_id = p.policy_id) ORDER BY p.recorded_at, p.policy_key');

        return array_values(array_filter($keys, \is_string(...)));
    }

    /** @return PolicyData */
    private static function decoded(string $json): array
    {
        /** @var PolicyData */
        return json_decode($json, true, 32, \JSON_THROW_ON_ERROR);
    }
}
