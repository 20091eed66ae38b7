<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A check half done: what was answered so far. It is no evidence until it is accepted or broken off. */
#[ORM\Entity]
#[ORM\Table(name: 'check_draft')]
#[ORM\Index(name: 'check_draft_instrument', columns: ['instrument_id', 'closed_at'])]
#[ORM\Index(name: 'check_draft_round', columns: ['round_id'])]
#[ORM\Index(name: 'check_draft_open', columns: ['closed_at'])]
class Draft
{
    /** @var array<string, mixed> */
    #[ORM\Column(type: 'json')]
    private array $answers = [];

    /** @var array<string, string> who typed each of them, by its name */
    #[ORM\Column(type: 'json', options: ['default' => '{}'])]
    private array $typed = [];

    #[ORM\Version, ORM\Column(type: 'integer')]
    private int $version = 1;

    #[ORM\Column(name: 'closed_at', type: 'datetime_immutable', nullable: true)]
    private ?\DateTimeImmutable $closedAt = null;

    /** The row of units that it is one of. */
    #[ORM\Column(name: 'round_id', length: 40, nullable: true)]
    private ?string $round = null;

    /** What it became; null while it is open, and where it was put away. */
    #[ORM\Column(name: 'check_id', length: 40, nullable: true)]
    private ?string $check = null;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(name: 'instrument_id', length: 40)]
        public readonly string $instrument,
        #[ORM\Column(name: 'started_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'started_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $startedAt,
    ) {
    }

    /** @return array<string, mixed> */
    public function answers(): array
    {
        return $this->answers;
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @return array<string, string> who typed each answer, by its name */
    public function typed(): array
    {
        return $this->typed;
    }

    /**
     * @param array<string, mixed>  $answers
     * @param array<string, string> $typed who typed each of them, by its name
     */
    public function answer(array $answers, array $typed): void
    {
        $this->answers = $answers;
        $this->typed = $typed;
    }

    public function round(): ?string
    {
        return $this->round;
    }

    public function join(CheckRound $round): void
    {
        $this->round = $round->id;
    }

    /** @param string|null $check that it became; null where it is put away */
    public function close(\DateTimeImmutable $at, ?string $check): void
    {
        $this->closedAt = $at;
        $this->check = $check;
    }

    public function check(): ?string
    {
        return $this->check;
    }

    public function isClosed(): bool
    {
        return $this->closedAt !== null;
    }
}
