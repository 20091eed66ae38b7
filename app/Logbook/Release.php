<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Journal\Journal;
use Footnote\App\Storage\WriteLock;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The release whose rules the logbook is judged by. What an earlier one worked out does not count: a rule that is new, or was wrong,
 * judges every run again.
 */
final readonly class Release
{
    private const FOLLOWED = 'SELECT digest FROM release_followed WHERE id = 1';

    /** @param string $digest of the code that judges and shows */
    public function __construct(
        private Connection $connection,
        private WriteLock $lock,
        private Journal $journal,
        private Touches $touches,
        #[Autowire('%footnote.release%')]
        private string $digest,
    ) {
    }

    /** Whether the logbook is judged by another release: one that still runs beside a newer one keeps nothing. */
    public function isOfAnother(): bool
    {
        return !\in_array($this->connection->fetchOne(self::FOLLOWED), [false, $this->digest], true);
    }

    /** Lets all that was worked out go where another release did; where there is any, the journal tells of it. */
    public function follow(): void
    {
        if ($this->isFollowed()) {
            return;
        }
        $this->journal->seal();
        if ($this->connection->fetchOne('SELECT 1 FROM worked_run LIMIT 1') === false) {
            $this->lock->holding($this->note(...));

            return;
        }
        $this->journal->during('footnote', 'release followed', ['release' => $this->digest], function (): void {
            if (!$this->isFollowed()) {
                $this->note();
                $this->touches->libraries();
            }
        });
    }

    private function isFollowed(): bool
    {
        return $this->connection->fetchOne(self::FOLLOWED) === $this->digest;
    }

    private function note(): void
    {
        $this->connection->executeStatement('DELETE FROM unit_line');
        $this->connection->executeStatement(
            'INSERT INTO release_followed (id, digest) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET digest = excluded.digest',
            [$this->digest],
        );
    }
}
