<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Record\ReadingEntries;
use Footnote\Core\Record\TakenEntries;
use Footnote\Core\Source\Sample;
use Footnote\Core\Source\Stretch;

/** A reading that is said to be taken from lines stands on a line that is kept with the check, and says what that says. */
final class ShowsLines
{
    /** @var array<string, Stretch|null> by = and the file's number */
    private array $stretches = [];

    /** @param list<string> $named the files of the check */
    public function __construct(private readonly KeptFiles $files, private readonly array $named)
    {
    }

    /**
     * @param array<array-key, mixed> $record
     * @param string                  $section of the record in which the family's answers stand
     *
     * @throws Problem naming the reading
     */
    public function refuse(array $record, string $section): void
    {
        $answers = \is_array($record[$section] ?? null) ? $record[$section] : [];
        foreach (ReadingEntries::saying($record) as $place => [$row, $how]) {
            $field = $row[TakenEntries::FIELD] ?? null;
            if (\is_string($field)) {
                $row['value'] = $answers[$field] ?? null;
            }
            if ($how->wasTaken() && !$this->stands($row, $how)) {
                throw Problem::field(
                    $place,
                    'says that it was taken from lines, and no kept line says so: say how it was read; all answers are kept.',
                );
            }
        }
    }

    /** @param array<array-key, mixed> $row */
    private function stands(array $row, Provenance $how): bool
    {
        $line = TakenLine::read($row[ReadingEntries::LINE] ?? null);
        if ($line === null || !\in_array($line->file, $this->named, true)) {
            return false;
        }
        $stretch = $this->stretches['='.$line->file] ??= KeptLines::read(...$this->files->file($line->file));
        $main = $row['value'] ?? null;
        $main = \is_array($main) ? $main['value'] ?? null : $main;
        $isShown = $main === null || $main === '';
        foreach ($line->lines as $number) {
            $shown = array_values(array_filter(
                $stretch->samples ?? [],
                static fn (Sample $one): bool => $one->line === $number
                    && self::says($row, $one)
                    && ($how === Provenance::Simulated || !$one->simulated),
            ));
            if ($shown === []) {
                return false;
            }
            $isShown = $isShown || array_filter($shown, static fn (Sample $one): bool => $one->value->written === $main) !== [];
        }

        return $isShown;
    }

    /**
     * Whether the row holds that reading, in its unit, of its channel.
     *
     * @param array<array-key, mixed> $row
     */
    private static function says(array $row, Sample $sample): bool
    {
        foreach (['channel', 'size'] as $name) {
            if (\is_string($row[$name] ?? null) && $row[$name] !== $sample->channel) {
                return false;
            }
        }
        $written = $sample->value->written;

        return array_filter($row, static fn (mixed $value): bool => $value === $written || (
            \is_array($value) && ($value['value'] ?? null) === $written && ($value['unit'] ?? null) === $sample->in
        )) !== [];
    }
}
