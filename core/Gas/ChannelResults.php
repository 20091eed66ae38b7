<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** What was worked out of one channel of a run. */
final readonly class ChannelResults implements FamilyResults
{
    public const KINDS = ['twa', 'stel', 'peak', 'lowest', 'mean'];

    /**
     * @param list<Result> $results
     * @param list<array{check: string, span: Figure, absolute: Figure, zero: Figure, label: Figure}> $drifts
     * @param list<Alteration> $alterations what was taken out of the log, or could be
     * @param list<Span> $leftOut
     * @param list<Intervention> $rezeroed
     * @param float|null $gapShare of the run, 0 to 1; null without a log
     * @param int $overs    intervals beyond the range
     * @param int $hollow   windows of 15 min with too little data
     * @param list<LeftOff> $left     where it was left off its label, or off clean air
     * @param string|null $lelDoubt why no limit in % LEL can be held against it
     * @param LinearKnot|null $unsaved  the response that holds if the adjustment before the run was lost
     */
    public function __construct(
        public Channel $channel,
        public ChannelRecord $record,
        public GasRecord $run,
        public Factor $factor,
        public Timeline $timeline,
        public Bracket $bracket,
        private array $results,
        public array $drifts,
        public ?LinearLine $line,
        private array $alterations,
        public array $leftOut,
        public array $rezeroed,
        public ?float $gapShare,
        public ?float $lostAtStart,
        public int $overs,
        public int $hollow,
        public ?LinearKnot $unsaved,
        public ?Figure $largestEver,
        private ?Segment $segment,
        public array $left,
        public ?string $lelDoubt,
    ) {
    }

    public function results(): array
    {
        return $this->results;
    }

    public function drifts(): array
    {
        return array_column($this->drifts, 'span');
    }

    public function alterations(): array
    {
        return $this->alterations;
    }

    public function segment(): ?Segment
    {
        return $this->segment;
    }

    public function driftsOf(Result $result): array
    {
        return $this->drifts();
    }

    public function headline(array $results): ?string
    {
        return Headline::of($results, self::KINDS);
    }

    public function inLedger(Result $result): ?string
    {
        return preg_match('/^(?:twa:|stel:|mixture:)/', $result->key) === 1 ? '' : null;
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('gas.span-drift', 'share');
    }

    /** In percent of the label, as drift is. */
    public function uncertaintyOf(Check $check): ?float
    {
        $reference = $this->timeline->referenceOf($check);

        return $reference === null
            ? null
            : (new Bottle($reference))->gas($this->channel->spanGas(), $check->at)?->decimal('accuracy')?->value->toFloat();
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->indicated;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'channel' => $this->channel->name,
            'senses' => $this->channel->kind->value,
            'unit' => $this->channel->unit->value,
            'substance' => $this->record->known?->text('name'),
            'lamp' => $this->channel->lamp?->written,
            'factor' => $this->factor->applied === null ? null : $sheet->enter($this->factor->applied),
            'undone' => $this->factor->undone->compareTo(Exact::of(1)) === 0 ? null : (string) $this->factor->undone,
            'response' => array_map(static fn (LinearKnot $knot): array => [
                'at' => $knot->at->format(\DATE_ATOM), 'check' => $knot->check, 'end' => $knot->asLeft
                    ? 'as left'
                    : 'as found', 'assumed' => $knot->assumed,
                'zero' => $sheet->enter($knot->zero), 'gain' => $sheet->enter($knot->gain),
            ], $this->line->knots ?? []),
            'drifts' => array_map(
                static fn (array $drift): array => [
                    'check' => $drift['check'],
                    'span' => $sheet->enter($drift['span']),
                    'absolute' => $sheet->enter($drift['absolute']),
                    'zero' => $sheet->enter($drift['zero']),
                ],
                $this->drifts,
            ),
            'testGas' => array_values(
                array_filter(
                    array_map(
                        static fn (Alteration $one): ?array => $one->span === null || $one->by !== TestGas::RULE
                            ? null
                            : [...$one->span->ends(), 'seen' => $one->what],
                        $this->alterations,
                    ),
                ),
            ),
            'leftOut' => array_map(static fn (Span $span): array => $span->ends(), $this->leftOut),
            'hollow' => $this->hollow,
        ];
    }
}
