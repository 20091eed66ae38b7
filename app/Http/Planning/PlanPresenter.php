<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\FlowFamily;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Flow\FlowHistory;
use Footnote\Core\Flow\Mass;
use Footnote\Core\Flow\SamplingPlan;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\UnplannableSample;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;

/** A plan of sampling, worked backwards from the limit. Nothing is kept of it. */
final readonly class PlanPresenter
{
    public function __construct(private Libraries $libraries, private Logbook $logbook, private ClockInterface $clock)
    {
    }

    /** @return array<string, mixed> */
    public function of(Fields $told): array
    {
        $asked = EntryReader::read($told, self::entries());
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
            throw new InvalidRecord('/limit', 'is missing.');
        }
        try {
            $plan = SamplingPlan::of(
                $limit,
                $share,
                $quantitation,
                $flow,
                $shift,
                $this->entry($asked, 'method', FlowFormat::METHODS),
                $this->entry($asked, 'substance', Substances::SHELF),
                $this->drift($asked->text('unit')),
            );
        } catch (UnplannableSample $problem) {
            throw Problem::field('/'.$problem->field, $problem->getMessage());
        }
        $sheet = new Sheet();
        $line = static fn (Figure $figure): array => [
            'figure' => $sheet->enter($figure),
            'shown' => $figure->shown(),
            'unit' => $figure->unit->value,
            'meaning' => $figure->meaning,
            'symbol' => $figure->symbol,
        ];
        $lines = array_map(
            $line,
            [
                $plan->leastVolume,
                $plan->leastMinutes,
                $plan->volumeEach,
                $plan->reach,
                ...($plan->undecided === null ? [] : [$plan->undecided]),
            ],
        );

        return [
            'usable' => $plan->conclusion->usable,
            'media' => $plan->media,
            'words' => $plan->conclusion->words,
            'lines' => $lines,
            'figures' => $sheet->rows(),
        ];
    }

    /** @return list<Entry> */
    public static function entries(): array
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

    private function entry(Traits $asked, string $name, string $shelf): ?Traits
    {
        $code = $asked->text($name);

        return $code === null ? null : ($this->libraries->find($shelf, $code) ?? throw Problem::field('/'.$name, 'is not in the library.'));
    }

    private function drift(?string $unit): ?Figure
    {
        if ($unit === null) {
            return null;
        }
        $timeline = $this->logbook->timeline($unit);

        return $timeline->instrument->family === FlowFamily::ID
            ? FlowHistory::of($timeline, $this->clock->now())->largestDrift()
            : throw Problem::field('/unit', 'is no air sampler.');
    }
}
