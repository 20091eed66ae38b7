<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;

/** Turns the answers of a half-done check into a check in the record format. */
final class DraftCheck
{
    private const ACOUSTIC = ['nominal', 'entered', 'adapter', 'microphoneCorrection', 'pressureCorrection', 'factorBefore', 'factorAfter'];

    /**
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function record(string $id, Instrument $unit, string $by, array $answers, \DateTimeImmutable $now): array
    {
        $acoustic = [];
        foreach (self::ACOUSTIC as $name) {
            if (\is_string($answers[$name] ?? null) && trim($answers[$name]) !== '') {
                $acoustic[$name] = $answers[$name];
            }
        }
        $adjusted = ($answers['adjusted'] ?? null) === true;
        $acoustic['asFound'] = self::readings($answers['asFound'] ?? []);
        $acoustic['asLeft'] = $adjusted ? self::readings($answers['asLeft'] ?? []) : [];
        $acoustic['adjusted'] = $adjusted;
        $steps = $answers['steps'] ?? [];

        return array_filter([
            'id' => $id,
            'instrument' => $unit->id,
            'at' => \is_string($answers['at'] ?? null) && $answers['at'] !== '' ? $answers['at'] : $now->format(\DATE_ATOM),
            'by' => $by,
            'reference' => \is_string($answers['reference'] ?? null) && $answers['reference'] !== '' ? $answers['reference'] : null,
            'steps' => \is_array($steps) && $steps !== [] ? $steps : null,
            'acoustic' => $acoustic,
            'remarks' => \is_string($answers['remarks'] ?? null) && $answers['remarks'] !== '' ? $answers['remarks'] : null,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /**
     * The check as far as it can be read, and what cannot.
     *
     * @param array<string, mixed> $record
     *
     * @return array{Check|null, list<array{field: string, problem: string}>}
     */
    public static function read(array $record, Instrument $unit, EvidenceReader $reader): array
    {
        $problems = [];
        $acoustic = \is_array($record['acoustic'] ?? null) ? $record['acoustic'] : [];
        if (!isset($acoustic['nominal'])) {
            return [null, []];
        }
        for ($try = 0; $try < 12; ++$try) {
            try {
                return [$reader->check(Fields::of([...$record, 'acoustic' => $acoustic]), RecordReader::format($unit->family)), $problems];
            } catch (InvalidRecord $problem) {
                $problems[] = ['field' => $problem->path, 'problem' => $problem->problem];
                $part = explode('/', $problem->path);
                $name = $part[2] ?? '';
                if ($part[1] !== 'acoustic' || !isset($acoustic[$name]) || $name === 'nominal') {
                    return [null, $problems];
                }
                // A value that cannot be read is left out of the preview; what was typed stays in the draft.
                if (\is_array($acoustic[$name]) && isset($part[3])) {
                    $kept = $acoustic[$name];
                    unset($kept[(int) $part[3]]);
                    $acoustic[$name] = array_values($kept);
                } else {
                    unset($acoustic[$name]);
                }
            }
        }

        return [null, $problems];
    }

    /** @return list<array{value: string, provenance: string}> */
    private static function readings(mixed $list): array
    {
        $readings = [];
        foreach (\is_array($list) ? $list : [] as $reading) {
            if (\is_array($reading) && \is_string($reading['value'] ?? null) && trim($reading['value']) !== '') {
                $readings[] = ['value' => trim($reading['value']), 'provenance' => \is_string($reading['provenance'] ?? null) ? $reading['provenance'] : 'typed'];
            }
        }

        return $readings;
    }
}
