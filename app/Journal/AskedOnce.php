<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Knows the identifier that the sender gave the request being answered, and what was done for it before. A form that is sent
 * again because the answer was lost finds what it made, and makes nothing twice.
 */
final readonly class AskedOnce
{
    private const HEADER = 'X-Request-Id';

    public function __construct(private Connection $connection, private RequestStack $requests)
    {
    }

    /** @throws Problem where it is no identifier */
    private function id(): ?string
    {
        $id = $this->requests->getMainRequest()?->headers->get(self::HEADER);
        if ($id !== null && preg_match('/^[A-Za-z0-9-]{8,64}$/D', $id) !== 1) {
            throw new Problem(400, 'The identifier of a request is 8 to 64 letters, digits and hyphens.');
        }

        return $id;
    }

    /**
     * What was made for this request before; to be asked within the transaction that would make it.
     *
     * @return array{made: mixed}|null what it came to; null: nothing was done for it yet
     *
     * @throws Problem where somebody else gave that identifier
     */
    public function before(string $actor, string $kind): ?array
    {
        $id = $this->id();
        $row = $id === null ? false : $this->connection->fetchAssociative(
            'SELECT actor, made FROM request_made WHERE id = ? AND kind = ?',
            [$id, $kind],
        );
        if ($row === false) {
            return null;
        }
        if ($row['actor'] !== $actor) {
            throw new Problem(409, 'Another request has this identifier. Nothing was changed.');
        }

        return ['made' => \is_string($row['made']) ? json_decode($row['made'], true, 32, \JSON_THROW_ON_ERROR) : null];
    }

    /** What came to a thing of the program's own is not kept: such a change finds by itself what it made before. */
    public function keep(string $actor, string $kind, mixed $made, int $sequence): void
    {
        $id = $this->id();
        if ($id !== null && !\is_object($made)) {
            $this->connection->insert('request_made', [
                'id' => $id,
                'kind' => $kind,
                'actor' => $actor,
                'made' => json_encode($made, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                'sequence' => $sequence,
            ]);
        }
    }

    /**
     * When what the request asks for was carried out, where it was and its answer was lost, and what it made.
     *
     * @return array{at: string, made: string|null}|null
     */
    public function carriedOut(): ?array
    {
        $id = $this->id();
        $row = $id === null ? false : $this->connection->fetchAssociative(
            'SELECT e.at, m.made FROM request_made m JOIN journal_entry e ON e.sequence = m.sequence WHERE m.id = ?',
            [$id],
        );
        if ($row === false || !\is_string($row['at'])) {
            return null;
        }
        $made = \is_string($row['made']) ? json_decode($row['made'], true, 32, \JSON_THROW_ON_ERROR) : null;

        return ['at' => $row['at'], 'made' => \is_string($made) ? $made : null];
    }
}
