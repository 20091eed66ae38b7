<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\MalformedDecimal;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\ReadingEntries;

/** How a check with an acoustic calibrator stands in the record format, for every unit with a microphone. */
final class AcousticSection
{
    public const NAME = 'acoustic';

    /**
     * The level is chosen together with the calibrator.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function translate(array $answers): array
    {
        if (!\is_string($answers['setting'] ?? null) || $answers['setting'] === '') {
            return $answers;
        }
        $parts = array_map(trim(...), explode('@', $answers['setting'], 2));

        return [...$answers, 'nominal' => $parts[0], ...(isset($parts[1]) ? ['frequency' => $parts[1]] : [])];
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

        $further = array_map(
            static fn (AcousticTone $tone): string => \sprintf(
                '%s: %s%s',
                $tone->words(),
                self::words($tone->asFound),
                $tone->asLeft === [] ? '' : ', left '.self::words($tone->asLeft),
            ),
            $content->further,
        );

        return [
            ['label' => 'Level dB', 'shown' => $content->tone->name()],
            [
                'label' => 'As found',
                'shown' => $content->tone->asFound !== [] || $content->factors->before === null
                    ? self::words($content->tone->asFound)
                    : \sprintf('factor %s to %s', $content->factors->before->written, $content->factors->after->written ?? ''),
            ],
            ['label' => 'As left', 'shown' => $content->wasAdjusted() ? self::words($content->tone->asLeft) : 'as found'],
            ['label' => 'Adjusted', 'shown' => $content->wasAdjusted() ? 'yes' : 'no'],
            ...($further === [] ? [] : [['label' => 'Other tones', 'shown' => implode('; ', $further)]]),
        ];
    }

    /** @return list<Entry> */
    public static function entries(): array
    {
        $level = ReadingEntries::of(AcousticKit::LEAST, AcousticKit::MOST);
        $weightings = array_column(FrequencyWeighting::cases(), 'value');
        $tone = Entry::text('tone', 'Tone', true)->filledIn();

        return [
            Entry::decimal('nominal', 'Level', AcousticKit::LEAST, AcousticKit::MOST, LevelUnit::Decibel, true),
            Entry::decimal('frequency', 'Frequency', '1', '100000', CommonUnit::Hertz),
            Entry::choice('weighting', 'Weighting set', array_combine($weightings, $weightings), help: 'It matters off 1 kHz'),
            Entry::decimal('entered', 'Level the meter expects', AcousticKit::LEAST, AcousticKit::MOST, LevelUnit::Decibel),
            Entry::text('adapter', 'Adapter'),
            Entry::decimal(
                'microphoneCorrection',
                'Microphone correction',
                '-20',
                '20',
                LevelUnit::Decibel,
                help: 'As the manual gives it; empty is none',
            ),
            Entry::decimal(
                'pressureCorrection',
                'Pressure correction',
                '-20',
                '20',
                LevelUnit::Decibel,
                help: 'None for calibrators with feedback',
            ),
            Entry::decimal('factorBefore', 'Factor before', '-60', '60', LevelUnit::Decibel),
            Entry::decimal('factorAfter', 'Factor after', '-60', '60', LevelUnit::Decibel),
            Entry::rows('asFound', 'As found', $level),
            Entry::rows('asLeft', 'As left', $level)->onlyWith('adjusted'),
            Entry::flag('adjusted', 'Adjusted'),
            Entry::rows('furtherFound', 'Other tones as found', [$tone, ...$level]),
            Entry::rows('furtherLeft', 'Other tones as left', [$tone, ...$level])->onlyWith('adjusted'),
        ];
    }

    /** @throws InvalidRecord naming the field */
    public static function read(Fields $check): AcousticCheck
    {
        $fields = $check->object(self::NAME);
        $told = EntryReader::read($fields, self::entries());
        $adjusted = $told->flag('adjusted');
        $asLeft = self::readings($told, 'asLeft');
        if (!$adjusted && $asLeft !== [] && !$fields->has('factorBefore')) {
            throw new InvalidRecord(
                $fields->at('asLeft'),
                'is for an instrument that was adjusted; where nothing was adjusted, as left is as found.',
            );
        }
        if ($fields->has('factorBefore') !== $fields->has('factorAfter')) {
            throw new InvalidRecord(
                $fields->at($fields->has('factorBefore') ? 'factorAfter' : 'factorBefore'),
                'is missing: the change of the factor needs both.',
            );
        }

        return new AcousticCheck(
            new AcousticTone(
                $told->decimal('nominal') ?? throw new \LogicException('It is required.'),
                $told->decimal('frequency'),
                self::readings($told, 'asFound'),
                $asLeft,
            ),
            self::further($fields, $told),
            $adjusted,
            new StoredFactors($told->decimal('factorBefore'), $told->decimal('factorAfter')),
            new MeterSettings(
                $told->decimal('entered'),
                FrequencyWeighting::tryFrom($told->text('weighting') ?? ''),
                $told->text('adapter'),
            ),
            new LevelCorrections($told->decimal('microphoneCorrection'), $told->decimal('pressureCorrection')),
        );
    }

    /**
     * Rows of readings at other tones, put together tone by tone.
     *
     * @return list<AcousticTone>
     */
    private static function further(Fields $fields, Traits $told): array
    {
        $tones = [];
        foreach (['furtherFound' => 0, 'furtherLeft' => 1] as $list => $when) {
            foreach ($told->rows($list) as $place => $row) {
                try {
                    $tone = AcousticTone::named($row->text('tone') ?? '');
                } catch (MalformedDecimal) {
                    throw new InvalidRecord(
                        $fields->at($list).'/'.$place.'/tone',
                        'must be a level, and its frequency where there are several, such as "114 @ 250".',
                    );
                }
                $tones[$tone->name()] ??= [$tone, [[], []]];
                $tones[$tone->name()][1][$when][] = self::readingOf($row);
            }
        }
        if (!$told->flag('adjusted') && $told->rows('furtherLeft') !== []) {
            throw new InvalidRecord(
                $fields->at('furtherLeft'),
                'is for an instrument that was adjusted; where nothing was adjusted, as left is as found.',
            );
        }

        return array_map(
            static fn (array $one): AcousticTone => new AcousticTone($one[0]->nominal, $one[0]->frequency, $one[1][0], $one[1][1]),
            array_values($tones),
        );
    }

    /** @param list<Reading> $readings */
    private static function words(array $readings): string
    {
        return implode(
            ', ',
            array_map(
                static fn (Reading $reading): string => $reading->value->written
                    .($reading->provenance === Provenance::Typed ? '' : ' ('.$reading->provenance->words().')'),
                $readings,
            ),
        );
    }

    /** @return list<Reading> */
    private static function readings(Traits $told, string $name): array
    {
        return array_map(self::readingOf(...), $told->rows($name));
    }

    private static function readingOf(Traits $row): Reading
    {
        return new Reading(
            $row->decimal('value') ?? throw new \LogicException('It is required.'),
            Provenance::from($row->text('provenance') ?? ''),
        );
    }

    /**
     * What a display held when a run was over, with how it came: no line of it is kept.
     *
     * @param string $least in the unit of the field
     */
    public static function total(Fields $fields, string $least, string $most): Reading
    {
        $how = $fields->choice(ReadingEntries::PROVENANCE, Provenance::class);
        if ($how->wasTaken()) {
            throw new InvalidRecord($fields->at(ReadingEntries::PROVENANCE), 'must say how a person knows it: no line of it is kept.');
        }

        return new Reading($fields->decimal('value', $least, $most), $how);
    }
}
