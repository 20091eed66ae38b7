<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Planning\SampleSize;
use Footnote\Core\Planning\SizesSamples;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** A plan of a sample as it is asked for, read and answered. */
final readonly class FlowSamples implements SizesSamples
{
    public function sampleEntries(): array
    {
        return [
            Entry::named('substance', 'Substance', 'library:'.Substances::SHELF),
            Entry::measured(
                'limit',
                'Exposure limit',
                [CommonUnit::MilligramPerCubicMetre, CommonUnit::MicrogramPerCubicMetre, CommonUnit::PartsPerMillion],
                true,
                'The one that binds where you are',
            ),
            Entry::decimal('share', 'Share of it that must be quantified', '0.001', '10', CommonUnit::None, true, '0.1 is a tenth'),
            Entry::measured(
                'quantitation',
                'LOQ of the laboratory, per medium',
                [CommonUnit::Microgram, CommonUnit::Milligram],
                true,
            ),
            Entry::measured('flow', 'Flow', FlowRow::FLOWS, true),
            Entry::decimal('shiftMinutes', 'Time that is sampled', '1', '1440', CommonUnit::Minute, true),
            Entry::named('method', 'Method', 'library:'.FlowFormat::METHODS),
            Entry::named('unit', 'Pump, for its past drift', 'family:'.FlowFamily::ID),
        ];
    }

    public function size(Fields $told, \Closure $library, \Closure $timeline, \DateTimeImmutable $now): SampleSize
    {
        $asked = EntryReader::read($told, $this->sampleEntries());
        $limit = $asked->measured('limit');
        $flow = $asked->measured('flow');
        $share = $asked->decimal('share');
        $shift = $asked->decimal('shiftMinutes');
        $quantitation = Mass::read(
            Fields::of(['quantitation' => $asked->measured('quantitation')->value->written ?? '']),
            'quantitation',
            $asked->measured('quantitation')->unit ?? CommonUnit::Microgram,
        );
        if ($limit === null || $flow === null || $share === null || $shift === null || $quantitation === null) {
            throw new InvalidRecord($told->at('limit'), 'is missing.');
        }
        $entry = static function (string $name, string $shelf) use ($asked, $library, $told): ?Traits {
            $code = $asked->text($name);

            return $code === null
                ? null
                : $library($shelf, $code) ?? throw new InvalidRecord($told->at($name), 'is not in the library.');
        };
        $unit = $asked->text('unit');
        $method = $entry('method', FlowFormat::METHODS);
        try {
            $plan = SamplingPlan::of(
                $limit,
                $share,
                $quantitation,
                $flow,
                $shift,
                $method,
                $entry('substance', Substances::SHELF),
                $unit === null ? null : self::drift($timeline($unit), $told, $now),
            );
        } catch (UnplannableSample $problem) {
            throw new InvalidRecord($told->at($problem->field), $problem->getMessage());
        }
        $lines = [$plan->leastVolume, $plan->leastMinutes, $plan->volumeEach, $plan->reach];
        if ($plan->undecided !== null) {
            $lines[] = $plan->undecided;
        }

        return new SampleSize(
            $plan->conclusion->usable,
            $plan->media,
            $plan->conclusion->words,
            $lines,
            $method?->decimal('holdingDays'),
        );
    }

    public function holdingDays(Fields $run, \Closure $library): ?Decimal
    {
        $code = $run->optionalText('method');

        return $code === null ? null : $library(FlowFormat::METHODS, $code)?->decimal('holdingDays');
    }

    private static function drift(Timeline $timeline, Fields $told, \DateTimeImmutable $now): ?Figure
    {
        return $timeline->instrument->family === FlowFamily::ID
            ? FlowHistory::of($timeline, $now)->largestDrift()
            : throw new InvalidRecord($told->at('unit'), 'is no air sampler.');
    }
}
