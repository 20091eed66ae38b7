<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\OwnSteps;

/** Turns the answers of a half-done check into a check in the record format. */
final class DraftCheck
{
    /** How many unreadable values a preview looks past before it gives up. */
    private const TRIES = 24;

    /** What the bench noted of how the steps were walked, as the record has it. */
    private const PACE = ['stepTimes', 'stepWaits', 'together'];

    /**
     * Whether anything was read or adjusted: a list of readings, or a flag that says so.
     *
     * @param array<string, mixed> $answers
     */
    public static function holdsReadings(Formats $formats, string $family, array $answers): bool
    {
        return array_filter(
            $formats->answered($family, $answers),
            static fn (mixed $value): bool => $value === true || (\is_array($value) && $value !== [] && array_is_list($value)),
        ) !== [];
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function record(
        string $id,
        Instrument $unit,
        string $by,
        array $answers,
        \DateTimeImmutable $now,
        Formats $formats,
    ): array {
        $steps = $answers['steps'] ?? [];
        $reasons = array_intersect_key(
            \is_array($answers['stepReasons'] ?? null) ? $answers['stepReasons'] : [],
            \is_array($steps) ? array_filter($steps, static fn (mixed $state): bool => $state === StepState::NotApplicable->value) : [],
        );

        return array_filter([
            'id' => $id,
            'instrument' => $unit->id,
            'at' => \is_string($answers['at'] ?? null) && $answers['at'] !== '' ? $answers['at'] : $now->format(\DATE_ATOM),
            'by' => $by,
            'reference' => \is_string($answers['reference'] ?? null) && $answers['reference'] !== '' ? $answers['reference'] : null,
            'steps' => \is_array($steps) && $steps !== [] ? $steps : null,
            'stepReasons' => $reasons === [] ? null : $reasons,
            ...array_filter(array_intersect_key($answers, array_flip(self::PACE)), static fn (mixed $told): bool => $told !== []),
            $formats->of($unit->family)->section() => $formats->answered($unit->family, $answers),
            'remarks' => \is_string($answers['remarks'] ?? null) && $answers['remarks'] !== '' ? $answers['remarks'] : null,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /**
     * The check as far as it can be read, and what cannot. A value that cannot be read is left out of the preview; what
     * was typed stays in the draft.
     *
     * @param array<string, mixed> $record
     *
     * @return array{Check|null, list<array{field: string, problem: string}>}
     */
    public static function read(array $record, ContentFormat $format, EvidenceReader $reader): array
    {
        $problems = [];
        for ($try = 0; $try < self::TRIES; ++$try) {
            try {
                return [$reader->check(Fields::of($record), $format), $problems];
            } catch (InvalidRecord $problem) {
                $place = \array_slice(explode('/', $problem->path), 1);
                if (!self::has($record, $place)) {
                    // Something is not there yet: that is no fault while one is still answering.
                    return [null, $problems];
                }
                $problems[] = ['field' => $problem->path, 'problem' => $problem->problem];
                $section = $place[0] ?? '';
                $left = match (true) {
                    $section === OwnSteps::NAME => self::withoutOwn($record, (int) ($place[1] ?? 0)),
                    $section === $format->section() && \count($place) > 1 => self::without($record, $place),
                    default => null,
                };
                if ($left === null) {
                    return [null, $problems];
                }
                $record = $left;
            }
        }

        return [null, $problems];
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<string>            $place
     */
    private static function has(array $data, array $place): bool
    {
        $name = array_shift($place);

        return $name !== null
            && \array_key_exists($name, $data)
            && ($place === [] || (\is_array($data[$name]) && self::has($data[$name], $place)));
    }

    /**
     * Without what was written down at a step of a model sheet; the step itself stays.
     *
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>|null null where nothing can be left out
     */
    private static function withoutOwn(array $record, int $place): ?array
    {
        $own = \is_array($record[OwnSteps::NAME] ?? null) ? $record[OwnSteps::NAME] : [];
        $row = $own[$place] ?? null;
        if (!\is_array($row) || !isset($row['value'])) {
            return null;
        }

        return [...$record, OwnSteps::NAME => array_replace($own, [$place => array_diff_key($row, ['value' => true])])];
    }

    /**
     * Without the answer at that place: a row of a list, or a field of the section.
     *
     * @param array<string, mixed> $record
     * @param list<string>         $place
     *
     * @return array<string, mixed>|null null where nothing can be left out
     */
    private static function without(array $record, array $place): ?array
    {
        [$section, $name] = $place;
        $content = $record[$section] ?? null;
        if (!\is_array($content) || !\array_key_exists($name, $content)) {
            return null;
        }
        if (\is_array($content[$name]) && array_is_list($content[$name]) && isset($place[2])) {
            $rows = $content[$name];
            unset($rows[(int) $place[2]]);
            $content[$name] = array_values($rows);
        } else {
            unset($content[$name]);
        }

        return [...$record, $section => $content];
    }
}
