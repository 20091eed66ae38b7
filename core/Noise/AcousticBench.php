<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\CertifiedValue;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ReferenceChoice;
use Footnote\Core\Judgement\ShiftScale;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Section;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Steadiness;

/** What the bench says while an acoustic calibrator sits on a microphone. */
final readonly class AcousticBench implements BenchGuide
{
    /** So far off no unit drifts between two checks, dB (own). */
    private const FAR = '3';
    /** A tone stands still within so much, dB (own). */
    private const STEADY = '0.2';
    /** As units print levels: on a tone the weighting is asked beside them. */
    private const LEVELS = ['dB', 'dB(A)', 'dB(C)', 'dB(Z)'];

    /** @param bool $weighted whether the weighting can be set, so that it is asked */
    public function __construct(private bool $weighted = false)
    {
    }

    public function choices(Instrument $unit, array $references, \DateTimeImmutable $on): array
    {
        $choices = [];
        foreach ($references as $reference) {
            if ($reference->kind === AcousticKit::CALIBRATOR) {
                $choices[] = $this->choice($reference, $unit, $on);
            }
        }

        return $choices;
    }

    public function fields(Step $step, Instrument $unit, ?Reference $reference): array
    {
        $section = new Section(AcousticSection::entries());

        return match ($step->id) {
            AcousticProcedure::REFERENCE => [
                ...($this->weighted ? $section->pick('weighting') : []),
                ...$section->pick('entered', 'microphoneCorrection', 'pressureCorrection'),
            ],
            AcousticProcedure::AS_FOUND => $unit->traits->flag('selfAdjusting') ? $section->pick('factorBefore', 'factorAfter') : [],
            default => [],
        };
    }

    public function columns(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        $reading = Entry::decimal('value', 'Reading', '-20', '200', LevelUnit::Decibel, true);

        return match ($step->id) {
            AcousticProcedure::AS_FOUND, AcousticProcedure::AS_LEFT => [$reading],
            AcousticProcedure::FURTHER_FOUND,
            AcousticProcedure::FURTHER_LEFT => [Entry::choice('tone', 'Tone', AcousticTone::beside($reference, $setting), true), $reading],
            default => [],
        };
    }

    public function presets(Step $step, Instrument $unit, ?Reference $reference = null, string $setting = ''): array
    {
        return \in_array($step->id, [AcousticProcedure::FURTHER_FOUND, AcousticProcedure::FURTHER_LEFT], true)
            ? array_map(
                static fn (int|string $tone): array => ['tone' => (string) $tone],
                array_keys(AcousticTone::beside($reference, $setting)),
            ) : [];
    }

    public function feeds(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        return \in_array('value', Entry::names($this->columns($step, $unit, $reference, $setting)), true)
            ? [new Feed(CalibratorStandIn::CHANNEL, 'value', self::LEVELS, steady: Steadiness::within(self::STEADY))]
            : [];
    }

    public function live(Check $check, Timeline $timeline, Policy $policy): LiveSheet
    {
        $response = new AcousticResponse();
        $content = $check->content;
        $found = $response->asFound($check, $timeline)?->offset;
        $left = $content instanceof AcousticCheck && $content->tone->asLeft !== [] ? $response->asLeft($check, $timeline)?->offset : null;
        $previous = null;
        $usability = new AcousticUsability();
        foreach ($timeline->checksUntil($check->at) as $earlier) {
            if ($earlier->at < $check->at
                && $earlier->id !== $check->id
                && ($usability->whyUnusable($earlier, $timeline) === [] || $earlier->content->wasAdjusted())) {
                $previous = $earlier;
                break;
            }
        }
        $before = $previous === null ? null : $response->asLeft($previous, $timeline)?->offset;
        $drift = $found !== null && $before !== null && $found->value instanceof Exact && $before->value instanceof Exact
            ? Figure::derived(
                'd',
                'drift since '.$previous->id,
                $found->value->minus($before->value),
                LevelUnit::Decibel,
                NoiseEquation::Drift,
                ['ε_post' => $found, 'ε_pre' => $before],
                2,
            )
            : null;
        $limit = $policy->limit('noise.drift', 'drift');
        // How far off it may go out: a unit that nobody adjusted is left as it was found.
        $allowed = $policy->limit(LeftOff::RULE, 'off');

        $further = [];
        foreach ($content instanceof AcousticCheck ? $content->further : [] as $tone) {
            foreach ([['as found', $tone->asFound], ['as left', $tone->asLeft]] as [$when, $readings]) {
                $further[] = new LiveLine(
                    \sprintf('%s at %s, off by', $when, $tone->words()),
                    $readings === [] || !$content instanceof AcousticCheck
                        ? null
                        : $response->deviation($check, $content, $readings, $when, $timeline, $tone),
                    signed: true,
                );
            }
        }

        return new LiveSheet([
            new LiveLine(
                'should show',
                $content instanceof AcousticCheck ? $response->expected($check, $content, $timeline->referenceOf($check)) : null,
            ),
            new LiveLine('as found, off by', $found, signed: true),
            new LiveLine(
                'drift'.($previous === null ? '' : ' since '.$previous->id),
                $drift,
                $drift !== null && $limit !== null && $drift->value instanceof Exact ? $limit->isKeptBy($drift->value->absolute()) : null,
                $limit?->words() ?? '',
                true,
            ),
            ...($left === null ? [] : [
                new LiveLine('as left, off by', $left, $allowed?->isKeptBySize($left->value), $allowed?->words() ?? '', true),
            ]),
            ...array_values(array_filter($further, static fn (LiveLine $line): bool => $line->figure !== null)),
        ], [...self::farOff('As found', $found), ...self::farOff('As left', $left)]);
    }

    /** @return list<string> the question whether it was read rightly, where it is off by more than a unit drifts */
    private static function farOff(string $when, ?Figure $off): array
    {
        return $off === null || !$off->value instanceof Exact || $off->value->absolute()->compareTo(Exact::of(self::FAR)) <= 0
            ? []
            : [\sprintf(
                '%s is off by %s dB. Mistyped, or another level than the calibrator\'s? If it reads so: the seal, damage, service; it '
                    .'is not adjusted away.',
                $when,
                $off->signed(),
            )];
    }

    public function history(Timeline $timeline, \DateTimeImmutable $until): UnitHistory
    {
        $factor = AcousticHistory::factor($timeline, $until);

        return new UnitHistory(
            AcousticFold::reading()->points($timeline, $until),
            LevelUnit::Decibel,
            LevelUnit::Decibel,
            'off by',
            $factor === null ? [] : [$factor],
        );
    }

    public function lastPoint(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint
    {
        return AcousticFold::reading()->last($timeline, $until);
    }

    public function actionLimit(Policy $policy): ?Limit
    {
        return $policy->limit(LeftOff::RULE, 'off');
    }

    public function sharedShift(): ShiftScale
    {
        // Calibrators are read in tenths, and one tenth is nothing.
        return new ShiftScale(0.15, 0.2, LevelUnit::Decibel);
    }

    private function choice(Reference $reference, Instrument $unit, \DateTimeImmutable $on): ReferenceChoice
    {
        $certificate = $reference->certificateAt($on);
        $problems = ReferenceChoice::problemsOf($reference, $on);
        $adapters = $reference->traits->texts('adapters');
        $microphone = $unit->traits->text('microphone');
        if ($microphone !== null && !\in_array($microphone, $adapters, true)) {
            $problems[] = \sprintf('It has no adapter for %s.', $microphone);
        }
        $low = $unit->traits->decimal('rangeLow');
        $high = $unit->traits->decimal('rangeHigh');
        $levels = array_filter(
            $certificate->values ?? [],
            static fn (CertifiedValue $value): bool => ($high === null || $value->nominal->value->compareTo($high->value) <= 0)
                && ($low === null || $value->nominal->value->compareTo($low->value) >= 0),
        );
        if ($certificate !== null && $levels === []) {
            $problems[] = 'None of its levels lies in the range of the instrument.';
        }
        $words = static fn (CertifiedValue $value): string => \sprintf(
            '%s dB%s, certified %s',
            $value->nominal->written,
            AcousticTone::frequencyOf($value) === null ? '' : ', '.AcousticTone::frequencyOf($value)->written.' Hz',
            $value->certified->written,
        );

        return new ReferenceChoice(
            $reference,
            'adapters '.($adapters === [] ? 'none' : implode(', ', $adapters)),
            array_values(
                array_map(
                    static fn (CertifiedValue $value): array => [
                        'value' => $certificate === null ? '' : AcousticTone::nameOf($value, $certificate),
                        'words' => $words($value),
                    ],
                    $levels,
                ),
            ),
            $problems,
        );
    }
}
