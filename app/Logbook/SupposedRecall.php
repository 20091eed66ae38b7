<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Evidence\Recall;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** A recall of a reference or a unit that nobody has made: what would be if it were. */
#[Exclude]
final readonly class SupposedRecall
{
    public const REFERENCE = 'reference';
    public const UNIT = 'instrument';

    /**
     * @param string               $kind     REFERENCE or UNIT
     * @param string               $recalled which one
     * @param array<string, mixed> $record   as it would be written
     */
    private function __construct(public string $kind, public string $recalled, public array $record, private Recall $recall)
    {
    }

    public static function of(string $reference, Recall $recall): self
    {
        return new self(self::REFERENCE, $reference, self::record($recall), $recall);
    }

    public static function ofUnit(string $unit, Recall $recall): self
    {
        return new self(self::UNIT, $unit, self::record($recall), $recall);
    }

    /** The kit that it is of, as addresses name it. */
    public function owner(): string
    {
        return $this->kind.'s';
    }

    public function isOf(string $kind, string $id): bool
    {
        return $this->kind === $kind && $this->recalled === $id;
    }

    /** Since when what was added up of checks holds no more; null: a check of a unit says what it said. */
    public function marksHoldUntil(): ?\DateTimeImmutable
    {
        return $this->kind === self::REFERENCE ? $this->since() : null;
    }

    /** @return array<string, string> a recall as it is written, in the record format */
    public static function record(Recall $recall): array
    {
        return array_filter([
            'since' => $recall->since->format(\DATE_ATOM),
            'until' => $recall->until?->format(\DATE_ATOM),
            'reason' => $recall->reason,
            'error' => $recall->error?->written,
        ], \is_string(...));
    }

    /** Whether it is known how far the reference was off. */
    public function isKnown(): bool
    {
        return $this->recall->error !== null;
    }

    /** In which the error is told; empty where it is not known. */
    public function unit(): string
    {
        return $this->recall->unit->value ?? '';
    }

    public function since(): \DateTimeImmutable
    {
        return $this->recall->since;
    }

    /** When it was found; null: it goes on. */
    public function until(): ?\DateTimeImmutable
    {
        return $this->recall->until;
    }
}
