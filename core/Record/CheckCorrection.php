<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\InPlaceOf;
use Footnote\Core\Evidence\Provenance;

/**
 * Writes a check that stands in the place of one that was written wrongly: everything is as it was but what is corrected, and a
 * corrected reading says how it is known.
 *
 * @phpstan-type Change array{label: string, was: string, is: string}
 */
final readonly class CheckCorrection
{
    /** What may be corrected of every check beside what its family asks, and how it is called. */
    private const OWN = ['/at' => 'When', '/reference' => 'Reference', '/remarks' => 'Remarks'];

    public function __construct(private Formats $formats)
    {
    }

    /**
     * @param array<string, mixed>       $record  of the check
     * @param array<string, string|bool> $changes by the path of what is corrected; an empty text takes it back
     *
     * @return array<string, mixed> of the check that stands in its place
     *
     * @throws InvalidRecord where it holds nothing at a path
     */
    public function write(array $record, string $family, array $changes, string $id, string $instrument, InPlaceOf $why): array
    {
        $paths = array_map(static fn (WrittenValue $one): string => $one->path, $this->values($record, $family));
        $corrected = $record;
        foreach ($changes as $path => $value) {
            if (!isset(self::OWN[$path]) && !\in_array($path, $paths, true)) {
                throw new InvalidRecord($path, 'is nothing that stands in this check.');
            }
            $place = \array_slice(explode('/', $path), 1);
            /** @var array<string, mixed> $corrected */
            $corrected = self::put($corrected, $place, $value, $why->how);
            // It says another thing than the line does.
            $corrected = TakenEntries::without($corrected, $place[1] ?? '');
        }

        return [
            ...array_diff_key($corrected, ['setAside' => true]),
            'id' => $id,
            'instrument' => $instrument,
            'inPlaceOf' => [
                'check' => $why->check,
                'instrument' => $why->instrument,
                'at' => $why->at->format(\DATE_ATOM),
                'by' => $why->by,
                'reason' => $why->reason,
                'how' => $why->how->value,
            ],
        ];
    }

    /**
     * What may be corrected of a check.
     *
     * @param array<string, mixed> $record
     *
     * @return list<WrittenValue>
     */
    public function values(array $record, string $family): array
    {
        $format = $this->formats->of($family);
        $section = $record[$format->section()] ?? [];

        $came = static function (WrittenValue $value) use ($record): WrittenValue {
            $how = $value->in === null ? TakenEntries::how($record, explode('/', $value->path)[2] ?? '') : null;

            return $how === null ? $value : $value->in(new TableRow('', '', false, $how));
        };

        return [
            ...array_map($came, WrittenValues::of($format->check(), \is_array($section) ? $section : [], '/'.$format->section())),
            ...OwnSteps::values($record),
        ];
    }

    /**
     * What is another in the one that stands in its place.
     *
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     *
     * @return list<Change>
     */
    public function changes(array $was, array $is, string $family): array
    {
        $changes = [];
        foreach (['/instrument' => 'Instrument', ...self::OWN] as $path => $label) {
            $name = substr($path, 1);
            $changes[$path] = [$label, self::text($was[$name] ?? ''), self::text($is[$name] ?? '')];
        }
        foreach ($this->values($was, $family) as $value) {
            $changes[$value->path] = [$value->label, $value->shown(), ''];
        }
        foreach ($this->values($is, $family) as $value) {
            $changes[$value->path] = [$value->label, $changes[$value->path][1] ?? '', $value->shown()];
        }
        $told = [];
        foreach ($changes as [$label, $before, $after]) {
            if ($before !== $after) {
                $told[] = ['label' => $label, 'was' => $before, 'is' => $after];
            }
        }

        return $told;
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<string>            $place
     *
     * @return array<array-key, mixed>
     */
    private static function put(array $data, array $place, string|bool $value, Provenance $how): array
    {
        $name = array_shift($place) ?? '';
        $inner = $data[$name] ?? null;
        if ($place !== []) {
            $data[$name] = self::put(\is_array($inner) ? $inner : [], $place, $value, $how);

            return $data;
        }
        if ($value === '') {
            unset($data[$name]);

            return $data;
        }
        $data[$name] = $value;

        if (isset($data[ReadingEntries::PROVENANCE])) {
            $data[ReadingEntries::PROVENANCE] = $how->value;
            // It says another thing than the line does.
            unset($data[ReadingEntries::LINE]);
        }

        return $data;
    }
}
