<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\LinearKnot;

/**
 * Works out one channel of a run: from its log or its display, against the limits of the campaign.
 */
final readonly class GasWorkings
{
    private Channel $channel;

    private GasRecord $record;

    private ChannelRecord $set;

    private Factor $factor;

    private GasResponse $response;

    private ChannelAnswers $answers;

    private ?Figure $largestEver;

    private ?Segment $segment;

    private ChannelEvidence $evidence;

    /** @param Bracket $whole as it was found; a declared segment closes it earlier */
    public function __construct(
        private Run $run,
        Bracket $whole,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $this->channel = Channel::named($timeline->instrument, $timeline->channel) ?? throw new \LogicException(
            'There is no channel '.$timeline->channel.'.',
        );
        $content = $run->content;
        $this->record = $content instanceof GasRecord ? $content : throw new \LogicException('Not a run of a monitor.');
        $this->set = $this->record->channel($this->channel->name);
        $this->factor = Factor::of($this->channel, $this->set);
        $this->response = new GasResponse($this->channel);
        $this->segment = Segment::of(
            $run,
            $whole,
            $this->record->log !== null && $this->record->column($this->channel->name) !== null,
            $this->fails(...),
        );
        $bracket = $this->segment->bracket ?? $whole;
        $line = $this->response->line($bracket, $timeline);
        // Whoever set the unit by a cylinder that was wrong did it right; the error is taken out by its own rule.
        $asCertified = $timeline->taking(RecallTaken::Nothing);
        $this->evidence = new ChannelEvidence(
            $bracket,
            new Span($run->timing->start, $this->segment->span->to ?? $run->timing->stop ?? $run->timing->start),
            $line,
            $this->lost($bracket),
            LeftOff::beyond($bracket, $asCertified, $this->response, $policy),
            WrongValue::of($bracket, $asCertified, $this->response) !== null || $this->isRecalled($bracket),
            $this->response->drifts($line, $bracket, $timeline),
        );
        $of = new SensedSubstance($this->channel, $this->set, $this->record->air);
        $this->answers = new ChannelAnswers($run, $policy, $of, $this->factor, self::conditions($yardsticks), $this->evidence);
        $this->largestEver = GasHistory::of($timeline, $bracket->post->at ?? $run->timing->stop ?? $run->timing->start)->largest();
    }

    /** Whether an end of the bracket leans on a cylinder whose known error is taken out. */
    private function isRecalled(Bracket $bracket): bool
    {
        foreach ($bracket->checks() as $check) {
            if ($this->timeline->referenceOf($check)?->errorAt($check->at) !== null) {
                return true;
            }
        }

        return false;
    }

    /** Whether the channel moved more along a bracket than the policy allows, in its span gas or in clean air. */
    private function fails(Bracket $bracket): bool
    {
        $drifts = $this->response->drifts($this->response->line($bracket, $this->timeline), $bracket, $this->timeline);
        foreach (['gas.span-drift', 'gas.zero-drift'] as $rule) {
            $setting = $this->policy->rule($rule);
            if ($setting === null) {
                continue;
            }
            foreach ($drifts as $drift) {
                $off = $rule === 'gas.zero-drift' ? $drift->zero : $drift->absolute;
                if (!DriftLimit::of($this->channel, $setting)->isKeptBy($off->value, $drift->label)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The conditions that the campaign states concentrations at; where it names none, 25 °C. */
    private static function conditions(Yardsticks $yardsticks): ReferenceConditions
    {
        foreach ($yardsticks->criteria as $criterion) {
            if ($criterion instanceof ReferenceConditions && $criterion->air !== null) {
                return $criterion;
            }
        }

        return ReferenceConditions::at('25', '101.325');
    }

    public function results(): ChannelResults
    {
        $stop = $this->run->timing->stop;
        $log = $this->record->log;
        $column = $this->record->column($this->channel->name);
        $results = [];
        $alterations = [];
        $leftOut = [];
        $gaps = null;
        $lost = null;
        $overs = 0;
        $hollow = null;
        if ($stop !== null && $log !== null && $column !== null) {
            $clock = new LogClock($log, $this->run);
            $alterations = LogAlterations::of(
                $this->run,
                $this->evidence->window,
                TestGas::in($this->record, $this->run, $this->timeline->taking(RecallTaken::Nothing), $this->policy),
                $log->remarks(),
            );
            $leftOut = LogAlterations::taken($alterations);
            $ranges = $this->ranges($clock, $leftOut);
            $counts = ValueCounts::of($log, $column, $ranges);
            $gaps = (new LoggedColumn($log, $column, $this->record->logName, $ranges, $counts->samples, $this->run))
                ->missing($this->evidence->window, $leftOut);
            $lost = max(0.0, Span::secondsBetween($this->run->timing->start, $clock->at(0)));
            $overs = $counts->overs;
            $of = new LoggedChannel($this->run, $log, $column, $this->record->logName, $this->answers, $this->yardsticks->limits);
            [$results, $hollow] = $of->results($clock, $ranges);
            $otherwise = LogAlterations::otherwise(
                $alterations,
                fn (array $out): array => $of->results($clock, $this->ranges($clock, $out))[0],
            );
            $results = array_map(static fn (Result $one): Result => $one->altered(...$otherwise($one)), $results);
        } elseif ($stop !== null && $this->set->hasTotals()) {
            $results = (new DisplayedChannel($this->run, $this->answers))->results();
            $alterations = LogAlterations::notApplied($this->run);
        }
        $judge = new LimitJudge();
        [$basis, $limits] = $this->limits();

        $judged = array_map(
            fn (Result $result): Result => $judge->judge(
                $result,
                $limits,
                fn (ExposureLimit $limit): TippingPoint => $this->tipping($limit, $result),
                null,
                $this->evidence->bracket,
            ),
            $results,
        );
        $drifts = $this->evidence->drifts;

        return new ChannelResults(
            new Sensed($this->channel, $this->set, $this->record, $this->factor, $basis),
            $this->timeline,
            $this->evidence->bracket,
            new WorkedOut(
                $judged,
                array_map(static fn (GasDrift $drift): Figure => $drift->span, $drifts),
                $alterations,
                $this->segment,
                $leftOut,
            ),
            new ChannelFindings(
                $this->evidence->line,
                $drifts,
                GasResponse::rezeroed($this->evidence->bracket, $this->timeline),
                $this->evidence->unsaved,
                $this->largestEver,
                $this->evidence->left,
            ),
            new LogFlaws($gaps, $lost, $overs, $hollow),
        );
    }

    /**
     * The limits of the campaign; those in % LEL told in what the cylinder of the unit takes for 100 %.
     *
     * @return array{string|null, list<ExposureLimit>} why a limit in % LEL cannot be held against it; the limits
     */
    private function limits(): array
    {
        $unit = GasUnit::PercentExplosive->value;
        if ($this->channel->unit !== GasUnit::PercentExplosive
            || array_filter(
                $this->yardsticks->limits,
                static fn (ExposureLimit $limit): bool => $limit->threshold->unit === $unit,
            ) === []) {
            return [null, $this->yardsticks->limits];
        }
        $bases = [];
        foreach ($this->evidence->bracket->checks() as $check) {
            $reference = $this->timeline->referenceOf($check);
            $bases[] = $reference === null ? null : (new Bottle($reference))->lelBasis($check->at);
        }
        $basis = \count(array_unique($bases)) === 1 ? $bases[0] : null;
        if ($basis === null) {
            return ['its cylinders do not say, or not alike, how much methane they take for 100 % LEL', $this->yardsticks->limits];
        }
        $unsaid = null;
        $limits = [];
        foreach ($this->yardsticks->limits as $limit) {
            if ($limit->threshold->unit === $unit && $limit->threshold->basis === null) {
                $unsaid = \sprintf('the limit %s does not say how much methane it takes for 100 %% LEL', $limit->title);
            }
            if ($limit->threshold->unit !== $unit || $limit->threshold->basis === null) {
                $limits[] = $limit;
                continue;
            }
            $told = $limit->threshold->value->value->times($limit->threshold->basis->value)->dividedBy(Exact::of($basis));
            $limits[] = $limit->at(Decimal::parse($told->rounded(max(3, $limit->threshold->value->decimals()))));
        }

        return [$unsaid, $limits];
    }

    /**
     * @param list<Span> $leftOut
     *
     * @return list<array{int, int}>
     */
    private function ranges(LogClock $clock, array $leftOut): array
    {
        return LogRanges::less($clock->within($this->evidence->window), array_map($clock->touching(...), $leftOut));
    }

    /** The response as found, where the adjustment before the run may not have been saved. */
    private function lost(Bracket $bracket): ?LinearKnot
    {
        $content = $bracket->pre?->content;

        return $bracket->pre !== null && $content instanceof ChannelCheck && $content->span->adjusted && $content->saved === false
            ? $this->response->asFound($bracket->pre, $this->timeline)
            : null;
    }

    /**
     * It sits on the limit where the gain is so much off what it was worked out with.
     */
    private function tipping(ExposureLimit $limit, Result $result): TippingPoint
    {
        $drifts = array_map(static fn (GasDrift $drift): Figure => $drift->span, $this->evidence->drifts);
        $none = $this->evidence->line === null ? 'no check shows the response' : 'one check shows the response';

        return Tipping::byShare(
            $result->reportedFigure(),
            $limit,
            'gain',
            'the channel read',
            Tipping::showed($drifts, 'a span drift of', $none)->then(Tipping::ever($this->largestEver, $drifts, 'drifted')),
        );
    }
}
