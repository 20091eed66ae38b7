<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\ReadingEntries;
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
     * @param array<array-key, mixed> $told
     *
     * @throws Problem naming the reading
     */
    public function refuse(array $told, string $path = ''): void
    {
        $how = $told[ReadingEntries::PROVENANCE] ?? null;
        if (\is_string($how) && Provenance::tryFrom($how)?->wasTaken() === true && !$this->stands($told, $how)) {
            throw Problem::field(
                $path.'/'.ReadingEntries::PROVENANCE,
                'says that it was taken from lines, and no kept line says so: say how it was read; all answers are kept.',
            );
        }
        foreach ($told as $name => $inner) {
            if (\is_array($inner)) {
                $this->refuse($inner, $path.'/'.$name);
            }
        }
    }

    /** @param array<array-key, mixed> $row */
    private function stands(array $row, string $how): bool
    {
        $line = $row[ReadingEntries::LINE] ?? null;
        if (!\is_string($line) || preg_match('/^([^:]+):(\d{1,6}(?:,\d{1,6})*)$/D', $line, $part) !== 1) {
            return false;
        }
        $stretch = \in_array($part[1], $this->named, true)
            ? $this->stretches['='.$part[1]] ??= $this->stretch($part[1])
            : null;
        $main = $row['value'] ?? null;
        $main = \is_array($main) ? $main['value'] ?? null : $main;
        $isShown = $main === null || $main === '';
        foreach (explode(',', $part[2]) as $number) {
            $shown = array_values(array_filter(
                $stretch->samples ?? [],
                static fn (Sample $one): bool => $one->line === (int) $number
                    && self::says($row, $one)
                    && ($how === Provenance::Simulated->value || !$one->simulated),
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

    private function stretch(string $number): ?Stretch
    {
        [$file, $bytes] = $this->files->file($number);
        $lines = $file[KeptFiles::LINES_TOLD] ?? null;
        if (!\is_array($lines)) {
            return null;
        }
        $zone = $lines['zone'] ?? 'UTC';
        $first = new \DateTimeImmutable(\is_string($lines['first'] ?? null) ? $lines['first'] : '@0');
        $arrived = [];
        foreach (\is_array($lines['after'] ?? null) ? $lines['after'] : [] as $milliseconds) {
            $arrived[] = Span::shift($first, (\is_int($milliseconds) ? $milliseconds : 0) / 1000);
        }
        /** @var array<string, mixed>|null $profile */
        $profile = \is_array($lines['profile'] ?? null) ? $lines['profile'] : null;

        return Stretch::read($bytes, HearSource::profile($profile), $arrived, new \DateTimeZone(\is_string($zone) ? $zone : 'UTC'));
    }
}
