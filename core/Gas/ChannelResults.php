<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\LinearKnot;

/** What was worked out of one channel of a run. */
final readonly class ChannelResults implements FamilyResults
{
    public const KINDS = ['twa', 'stel', 'peak', 'lowest', 'mean'];

    public function __construct(
        public Sensed $sensed,
        public Timeline $timeline,
        public Bracket $bracket,
        private WorkedOut $worked,
        public ChannelFindings $response,
        public LogFlaws $flaws,
    ) {
    }

    public function worked(): WorkedOut
    {
        return $this->worked;
    }

    public function driftsOf(Result $result): array
    {
        return $this->worked->drifts;
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
    public function uncertaintyOf(Check $check): ?Figure
    {
        $reference = $this->timeline->referenceOf($check);

        $certificate = $reference?->certificateAt($check->at);
        $accuracy = $reference === null
            ? null
            : (new Bottle($reference))->gas($this->sensed->channel->spanGas(), $check->at)?->decimal('accuracy');

        return $accuracy === null ? null : $certificate?->figure('U', 'accuracy of the label', $accuracy, CommonUnit::Percent);
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->answers->indicated;
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'channel' => $this->sensed->channel->name,
            'senses' => $this->sensed->channel->kind->value,
            'unit' => $this->sensed->channel->unit->value,
            'substance' => $this->sensed->record->known?->text('name'),
            'lamp' => $this->sensed->channel->sensor->lamp?->written,
            'factor' => $this->sensed->factor->applied === null ? null : $sheet->enter($this->sensed->factor->applied),
            'undone' => $this->sensed->factor->undone->compareTo(Exact::of(1)) === 0 ? null : (string) $this->sensed->factor->undone,
            'response' => array_map(static fn (LinearKnot $knot): array => [
                'at' => $knot->at->format(\DATE_ATOM), 'check' => $knot->check, 'end' => $knot->asLeft
                    ? 'as left'
                    : 'as found', 'assumed' => $knot->assumed,
                'zero' => $sheet->enter($knot->zero), 'gain' => $sheet->enter($knot->gain),
            ], $this->response->line->knots ?? []),
            'drifts' => array_map(
                static fn (GasDrift $drift): array => [
                    'check' => $drift->check,
                    'span' => $sheet->enter($drift->span),
                    'absolute' => $sheet->enter($drift->absolute),
                    'zero' => $sheet->enter($drift->zero),
                ],
                $this->response->drifts,
            ),
            'testGas' => array_values(
                array_filter(
                    array_map(
                        static fn (Alteration $one): ?array => $one->span === null || $one->by !== TestGas::RULE
                            ? null
                            : [...$one->span->ends(), 'seen' => $one->what],
                        $this->worked->alterations,
                    ),
                ),
            ),
            'leftOut' => array_map(static fn (Span $span): array => $span->ends(), $this->worked()->leftOut),
            'hollow' => $this->flaws->hollow === null ? null : $sheet->enter($this->flaws->hollow),
        ];
    }
}
