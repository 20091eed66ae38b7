<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Noise\Meter\FrequencyWeighting;
use Footnote\Core\Quantity\MalformedDecimal;
use Footnote\Core\Record\AnswerRows;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** How a check with an acoustic calibrator stands in the record format, for every unit with a microphone. */
final class AcousticSection
{
    public const NAME = 'acoustic';

    private const ANSWERS = ['weighting', 'nominal', 'frequency', 'entered', 'adapter', 'microphoneCorrection', 'pressureCorrection', 'factorBefore', 'factorAfter'];

    /**
     * The section, from the answers of a half-done check.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function fromAnswers(array $answers): array
    {
        $acoustic = [];
        foreach (self::ANSWERS as $name) {
            if (\is_string($answers[$name] ?? null) && trim($answers[$name]) !== '') {
                $acoustic[$name] = $answers[$name];
            }
        }
        // The level is chosen together with the calibrator.
        if (\is_string($answers['setting'] ?? null) && $answers['setting'] !== '') {
            $parts = array_map(trim(...), explode('@', $answers['setting'], 2));
            $acoustic = [...$acoustic, 'nominal' => $parts[0], ...(isset($parts[1]) ? ['frequency' => $parts[1]] : [])];
        }
        $adjusted = ($answers['adjusted'] ?? null) === true;

        foreach (['furtherFound' => true, 'furtherLeft' => $adjusted] as $list => $asked) {
            $rows = array_values(array_filter($asked ? AnswerRows::of($answers[$list] ?? []) : [], static fn (array $row): bool => isset($row['value'])));
            if ($rows !== []) {
                $acoustic[$list] = $rows;
            }
        }

        return [...$acoustic, 'asFound' => AnswerRows::of($answers['asFound'] ?? []), 'asLeft' => $adjusted ? AnswerRows::of($answers['asLeft'] ?? []) : [], 'adjusted' => $adjusted];
    }

    /**
     * In words for a table of evidence.
     *
     * @return list<array{label: string, shown: string}>
     */
    public static function describe(CheckContent $content): array
    {
        if (!$content instanceof AcousticCheck) {
            return [];
        }

        $further = array_map(static fn (AcousticTone $tone): string => \sprintf('%s: %s%s', $tone->words(), self::words($tone->asFound), $tone->asLeft === [] ? '' : ', left '.self::words($tone->asLeft)), $content->further);

        return [
            ['label' => 'Level dB', 'shown' => $content->tone()->name()],
            ['label' => 'As found', 'shown' => $content->asFound !== [] || $content->factorBefore === null ? self::words($content->asFound) : \sprintf('factor %s to %s', $content->factorBefore->written, $content->factorAfter->written ?? '')],
            ['label' => 'As left', 'shown' => $content->wasAdjusted() ? self::words($content->asLeft) : 'as found'],
            ['label' => 'Adjusted', 'shown' => $content->wasAdjusted() ? 'yes' : 'no'],
            ...($further === [] ? [] : [['label' => 'Other tones', 'shown' => implode('; ', $further)]]),
        ];
    }

    /** @throws InvalidRecord naming the field */
    public static function read(Fields $check): AcousticCheck
    {
        $fields = $check->object(self::NAME);
        $adjusted = $fields->flag('adjusted');
        $asLeft = self::readings($fields, 'asLeft');
        if (!$adjusted && $asLeft !== [] && !$fields->has('factorBefore')) {
            throw new InvalidRecord($fields->at('asLeft'), 'is for a unit that was adjusted; where nothing was adjusted, as left is as found.');
        }
        if ($fields->has('factorBefore') !== $fields->has('factorAfter')) {
            throw new InvalidRecord($fields->at($fields->has('factorBefore') ? 'factorAfter' : 'factorBefore'), 'is missing: the change of the factor needs both.');
        }

        return new AcousticCheck(
            $fields->decimal('nominal', NoiseFormat::LEAST, NoiseFormat::MOST),
            self::readings($fields, 'asFound'),
            $asLeft,
            $adjusted,
            $fields->optionalDecimal('factorBefore', '-60', '60'),
            $fields->optionalDecimal('factorAfter', '-60', '60'),
            $fields->optionalDecimal('entered', NoiseFormat::LEAST, NoiseFormat::MOST),
            $fields->optionalDecimal('microphoneCorrection', '-20', '20'),
            $fields->optionalDecimal('pressureCorrection', '-20', '20'),
            $fields->optionalText('adapter', 20),
            $fields->optionalDecimal('frequency', '1', '100000'),
            self::further($fields),
            $fields->has('weighting') ? $fields->choice('weighting', FrequencyWeighting::class) : null,
        );
    }

    /**
     * Rows of readings at other tones, put together tone by tone.
     *
     * @return list<AcousticTone>
     */
    private static function further(Fields $fields): array
    {
        $tones = [];
        foreach (['furtherFound' => 0, 'furtherLeft' => 1] as $list => $when) {
            foreach ($fields->objects($list) as $row) {
                try {
                    $tone = AcousticTone::named($row->text('tone'));
                } catch (MalformedDecimal) {
                    throw new InvalidRecord($row->at('tone'), 'must be a level, and its frequency where there are several, such as "114 @ 250".');
                }
                $tones[$tone->name()] ??= [$tone, [[], []]];
                $tones[$tone->name()][1][$when][] = self::reading($row, NoiseFormat::LEAST, NoiseFormat::MOST);
            }
        }
        if (!$fields->flag('adjusted') && $fields->objects('furtherLeft') !== []) {
            throw new InvalidRecord($fields->at('furtherLeft'), 'is for a unit that was adjusted; where nothing was adjusted, as left is as found.');
        }

        return array_map(static fn (array $one): AcousticTone => new AcousticTone($one[0]->nominal, $one[0]->frequency, $one[1][0], $one[1][1]), array_values($tones));
    }

    /** @param list<Reading> $readings */
    private static function words(array $readings): string
    {
        return implode(', ', array_map(static fn (Reading $reading): string => $reading->value->written.($reading->provenance === Provenance::Typed ? '' : ' ('.$reading->provenance->value.')'), $readings));
    }

    /** @return list<Reading> */
    private static function readings(Fields $fields, string $name): array
    {
        return array_map(static fn (Fields $reading): Reading => self::reading($reading, NoiseFormat::LEAST, NoiseFormat::MOST), $fields->objects($name));
    }

    /**
     * A reading with how it came.
     *
     * @param string $least in the unit of the field
     */
    public static function reading(Fields $fields, string $least, string $most): Reading
    {
        return new Reading($fields->decimal('value', $least, $most), $fields->choice('provenance', Provenance::class));
    }
}
