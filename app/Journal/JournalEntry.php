<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\ORM\Mapping as ORM;

/** One line of the journal. Its hash covers the line and the hash before it. */
#[ORM\Entity]
#[ORM\Table(name: 'journal_entry')]
class JournalEntry
{
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $sequence,
        #[ORM\Column(length: 40)]
        public readonly string $at,
        #[ORM\Column(length: 40)]
        public readonly string $actor,
        #[ORM\Column(length: 60)]
        public readonly string $kind,
        #[ORM\Column(type: 'text')]
        public readonly string $payload,
        #[ORM\Column(length: 64)]
        public readonly string $previous,
        #[ORM\Column(length: 64)]
        public readonly string $hash,
        /** How many rows of evidence it binds, and one digest of what they are; empty: none. */
        #[ORM\Column(length: 80, options: ['default' => ''])]
        public readonly string $binds = '',
    ) {
    }

    /** A moment as entries tell it: in UTC, so that texts follow each other as moments do. */
    public static function moment(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.vp');
    }

    /** @param array{at: string, actor: string, kind: string, payload: string, binds: string} $told */
    public static function hashOf(int $sequence, array $told, string $previous): string
    {
        return hash(
            'sha256',
            json_encode(
                // An entry that binds nothing is hashed as those are from before rows were bound.
                [
                    $sequence, $told['at'], $told['actor'], $told['kind'], $told['payload'], $previous,
                    ...($told['binds'] === '' ? [] : [$told['binds']]),
                ],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            ),
        );
    }
}
