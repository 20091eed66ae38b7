<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\DrawnResponse;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LogsByChannel;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Log\ChannelSeries;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;

/** What was worked out of a run of a counter or a dust monitor. */
final readonly class ParticleResults implements FamilyResults, LogsByChannel
{
    /**
     * @param Figure|null $gaps     of the run, %
     * @param Figure|null $factor   of a dust monitor against its filter
     */
    public function __construct(
        private WorkedOut $worked,
        public ?CountingLine $line,
        public Timeline $timeline,
        public ParticleRecord $record,
        public Hidden $hidden,
        public ?Figure $gaps,
        public ?Figure $factor,
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
        return Headline::of($results, ['twa', 'mean', 'count', 'bin']);
    }

    public function inLedger(Result $result): ?string
    {
        return preg_match('/^(?:twa:|stel:|mixture:)/', $result->key) === 1 ? '' : null;
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('particle.flow', 'change');
    }

    public function uncertaintyOf(Check $check): ?Figure
    {
        $certificate = $this->timeline->referenceOf($check)?->certificateAt($check->at);

        $uncertainty = $certificate?->constants->decimal('uncertaintyPercent');

        return $uncertainty === null ? null : $certificate->figure('U', 'uncertainty', $uncertainty, CommonUnit::Percent);
    }

    /** Dividing by the mean flow and taking the background off is the ordinary sum, not a correction. */
    public function ordinary(Result $result): ?Figure
    {
        return $result->answers->between;
    }

    public function logged(): array
    {
        return match (true) {
            $this->record->log === null => [],
            $this->record->dust() !== null => [['channel' => ParticleFormat::DUST, 'words' => 'dust']],
            default => array_map(
                static fn (string $size): array => ['channel' => $size, 'words' => 'from '.$size.' µm'],
                array_map(strval(...), array_keys($this->record->sizes())),
            ),
        };
    }

    /** Concentrations in each interval; of a dust monitor its readings by its factor. */
    public function series(string $channel, Run $run): ?ChannelSeries
    {
        $log = $this->record->log;
        if ($log === null) {
            return null;
        }
        $clock = new LogClock($log, $run);
        $dust = $this->record->dust();
        if ($dust !== null) {
            $zeros = ParticleResponse::zeros($this->line);
            $factor = $this->factor?->toFloat() ?? 1.0;

            return $channel !== ParticleFormat::DUST
                ? null
                : ChannelSeries::of(
                    CommonUnit::MilligramPerCubicMetre,
                    $log,
                    $dust,
                    $clock,
                    static fn (int $raw): float => (float) $raw,
                    $zeros === null ? null : $zeros->at(...),
                    static fn (int $raw, float $z, float $g): float => ($raw - 1000 * $z) / $g * $factor,
                );
        }
        $column = $this->record->sizes()[$channel] ?? null;
        $nominal = $this->timeline->instrument->traits->measured('nominalFlow')?->in(CommonUnit::LitrePerMinute)->toFloat();
        if ($column === null || $nominal === null) {
            return null;
        }
        $minutes = ($this->record->written->decimal('sampleSeconds')?->value->toFloat() ?? $log->step()) / 60;
        $line = $this->line;

        return ChannelSeries::of(
            CountUnit::PerCubicCentimetre,
            $log,
            $column,
            $clock,
            static fn (int $raw): float => $raw / $minutes / ($nominal * 1000),
            $line === null ? null : static fn (\DateTimeImmutable $at): array => $line->at($at, $channel),
            static fn (int $raw, float $q, float $b): float => ($raw / $minutes - 1000 * $b) / ($q * 1000),
        );
    }

    public function resultsOf(string $channel): array
    {
        return array_values(
            array_filter(
                $this->worked->results,
                static fn (Result $result): bool => $channel === ParticleFormat::DUST || $result->key === 'count:'.$channel,
            ),
        );
    }

    /** @return array<string, mixed> */
    private function described(SeriesLog $log): array
    {
        return [
            'start' => $log->start()->format(\DATE_ATOM), 'stepSeconds' => $log->step(), 'length' => $log->length(),
            'leftOut' => array_map(static fn (Span $span): array => $span->ends(), $this->worked->leftOut),
            'channels' => $this->logged(),
        ];
    }

    public function describe(Sheet $sheet): array
    {
        return [
            'kind' => 'particle',
            'log' => $this->record->log === null ? null : $this->described($this->record->log),
            'response' => DrawnResponse::of($sheet, $this->line->knots ?? [], static fn (CountingKnot $knot): Figure => $knot->flow),
            'background' => array_merge(
                ...array_map(
                    static fn (CountingKnot $knot): array => array_map(
                        static fn (Figure $figure): string => $sheet->enter($figure),
                        array_values($knot->background),
                    ),
                    $this->line->knots ?? [],
                ),
            ),
            'loss' => $this->hidden->loss === null ? null : $sheet->enter($this->hidden->loss),
            'factor' => $this->factor === null ? null : $sheet->enter($this->factor),
        ];
    }
}
