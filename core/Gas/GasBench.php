<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\AsksByReference;
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
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Source\Feed;

/** What the bench says while gas is on a monitor. */
final readonly class GasBench implements AsksByReference
{
    /** Litres below which a bottle is called nearly empty: two minutes of the usual flow for each of three gases. */
    private const FEW_MINUTES = 6;

    public function choices(Instrument $unit, array $references, \DateTimeImmutable $on): array
    {
        $choices = [];
        $stage = \in_array(GasStage::Mix, GasProcedures::stages($unit), true) ? GasStage::Mix : GasStage::Isobutylene;
        $wanted = array_values(
            array_filter(Channel::of($unit), static fn (Channel $channel): bool => GasStage::ofSpan($channel->kind) === $stage),
        );
        foreach ($references as $reference) {
            if ($reference->kind !== Bottle::KIND) {
                continue;
            }
            $bottle = new Bottle($reference);
            $missing = array_map(
                static fn (Channel $channel): string => $channel->spanGas(),
                array_values(array_filter($wanted, static fn (Channel $channel): bool => $bottle->label($channel, $on) === null)),
            );
            if (\count($missing) === \count($wanted)) {
                continue;
            }
            $problems = ReferenceChoice::problemsOf($reference, $on);
            if ($missing !== []) {
                $problems[] = \sprintf('It holds no %s.', implode(', no ', $missing));
            }
            $choices[] = new ReferenceChoice($reference, $bottle->words($on), [], $problems);
        }

        return $choices;
    }

    public function fields(Step $step, Instrument $unit, ?Reference $reference): array
    {
        $section = new Section(GasFormat::entries());

        return match ($step->id) {
            GasProcedures::SOURCE => [$section->one('zeroSource')->needed(), ...$section->pick('zeroBottle', 'temperature')],
            GasProcedures::REFERENCE => $section->pick('bottlePressure'),
            GasProcedures::ISOBUTYLENE_BOTTLE => [
                $section->one('isobutyleneBottle')->needed(),
                $section->one('isobutylenePressure')->called('Pressure of the cylinder'),
            ],
            default => [],
        };
    }

    /** FC-D2: an alarm is asked for only where the label lies beyond its set point; no gas of the cylinder can raise another. */
    public function instruction(Step $step, Instrument $unit, ?Reference $reference, \DateTimeImmutable $on): ?string
    {
        if ($step->id !== GasProcedures::ALARMS || $reference === null) {
            return $step->words->instruction;
        }
        $bottle = new Bottle($reference);
        $raised = [];
        $unknown = false;
        foreach (Channel::of($unit) as $channel) {
            $label = $bottle->label($channel, $on)?->value;
            $unknown = $unknown || ($label !== null && $channel->display->alarm === null);
            if ($label instanceof Exact && $channel->display->alarm !== null && $channel->isBeyondAlarm($label)) {
                $raised[] = $channel->name;
            }
        }

        return match (true) {
            $unknown => $step->words->instruction,
            $raised === [] => null,
            default => \sprintf('The alarms of %s sounded, flashed and shook.', implode(', ', $raised)),
        };
    }

    public function columns(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        $stage = GasProcedures::stageOf($step->id);
        $inCleanAir = self::isInCleanAir($step);
        if ($step->kind !== StepKind::Readings || ($stage === null && !$inCleanAir)) {
            return [];
        }
        $row = new Section(GasRow::entries());
        $channel = Entry::choice('channel', 'Channel', array_combine(self::names($unit), self::names($unit)), true);

        return [$channel, ...($inCleanAir ? $row->pick('value') : $row->pick('value', 'expected', 'selected', 'seconds'))];
    }

    public function presets(Step $step, Instrument $unit, ?Reference $reference = null, string $setting = ''): array
    {
        $stage = GasProcedures::stageOf($step->id);
        $inCleanAir = self::isInCleanAir($step);
        if ($step->kind !== StepKind::Readings || ($stage === null && !$inCleanAir)) {
            return [];
        }
        $rows = [];
        foreach (Channel::of($unit) as $channel) {
            $own = $stage !== null && GasStage::ofSpan($channel->kind) === $stage;
            // CO is looked at while isobutylene flows.
            $watched = $stage === GasStage::Isobutylene
                && $channel->kind === GasKind::CarbonMonoxide
                && $step->id === $stage->value.'-found';
            if ($inCleanAir || $own || $watched) {
                // What the unit expects is read off the unit: filled in from the label it would always agree with it.
                $rows[] = ['channel' => $channel->name];
            }
        }

        return $rows;
    }

    private static function isInCleanAir(Step $step): bool
    {
        return GasProcedures::stageOf($step->id) === GasStage::Zero || $step->id === GasProcedures::PURGED;
    }

    public function feeds(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        $feeds = [];
        foreach ($this->presets($step, $unit, $reference, $setting) as $row) {
            $channel = Channel::named($unit, $row['channel'] ?? '');
            if ($channel !== null) {
                $label = $reference === null || self::isInCleanAir($step) ? null : self::label($reference, $channel);
                $feeds[] = new Feed(
                    $channel->name,
                    'value',
                    [$channel->unit->value],
                    $row,
                    Plateau::steadiness($channel, $label),
                    // Three of the last twenty seconds show the plateau on record.
                    $step->readings?->clocked === true ? 3 : 1,
                );
            }
        }

        return $feeds;
    }

    private static function label(Reference $reference, Channel $channel): ?Exact
    {
        $label = (new Bottle($reference))->label($channel, new \DateTimeImmutable(Timeline::END))?->value;

        return $label instanceof Exact ? $label : null;
    }

    public function live(Check $check, Timeline $timeline, Policy $policy): LiveSheet
    {
        $content = $check->content;
        if (!$content instanceof GasCheck) {
            return new LiveSheet([]);
        }
        $with = $timeline->with($check);
        $sheet = new LiveSheet([]);
        foreach (Channel::of($timeline->instrument) as $channel) {
            $why = $content->zero->source !== null
                && ($content->of(GasStage::Zero->found(), $channel->name) !== []
                    || $content->zero->source->whyUnfit($channel->kind) !== null)
                ? $content->zero->source->whyUnfit($channel->kind)
                : null;
            if ($why !== null) {
                $unfit = \sprintf('%s cannot be zeroed in %s: %s.', $channel->name, $content->zero->source->value ?? '', $why);
                $sheet = $sheet->with(new LiveSheet([], [$unfit]));
            }
            $part = ChannelCheck::timeline($channel->name, $with);
            $own = $part->check($check->id);
            if ($own === null || !$own->content instanceof ChannelCheck) {
                continue;
            }
            $sheet = $sheet->with($this->ofChannel($own, $own->content, $channel, $part, $policy));
        }
        $lines = [];
        $questions = [];
        foreach (array_filter([$check->reference, $content->isobutylene->reference, $content->zero->bottle], \is_string(...)) as $id) {
            $bottle = $timeline->reference($id);
            foreach ($bottle === null ? [] : ReferenceChoice::problemsOf($bottle, $check->at) as $problem) {
                $questions[] = \sprintf('%s: %s', $id, lcfirst($problem));
            }
        }
        foreach ([
            [$timeline->referenceOf($check), $content->bottlePressure],
            [
                $content->isobutylene->reference === null ? null : $timeline->reference($content->isobutylene->reference),
                $content->isobutylene->pressure,
            ],
        ] as [$reference, $pressure]) {
            $left = $reference === null ? null : (new Bottle($reference))->left($pressure);
            if ($left !== null) {
                $lines[] = new LiveLine(
                    'gas left in '.$reference->id,
                    $left,
                );
                if ($left->toFloat() < self::FEW_MINUTES) {
                    $questions[] = \sprintf(
                        '%s holds gas for %s min. Will it last for this check?',
                        $reference->id,
                        $left->shown(),
                    );
                }
            }
        }

        $all = $sheet->with(new LiveSheet($lines, $questions));

        return new LiveSheet($all->lines, array_values(array_unique($all->questions)), $all->said);
    }

    private function ofChannel(Check $check, ChannelCheck $content, Channel $channel, Timeline $part, Policy $policy): LiveSheet
    {
        $response = new GasResponse($channel);
        $label = $response->label($check, $content, $part);
        $lines = [];
        $questions = [];
        $said = [];
        if ($label === null) {
            return new LiveSheet(
                [],
                [\sprintf('Which cylinder spans %s? None that is named says how much %s it holds.', $channel->name, $channel->spanGas())],
            );
        }
        $entered = GasResponse::expected($content);
        if ($entered !== null && $entered->compareTo($response->exact($label)) !== 0) {
            $questions[] = \sprintf(
                '%s expects %s, the label says %s %s. Set the instrument to the label before the span.',
                $channel->name,
                $entered,
                $label->shown(),
                $label->unit->value,
            );
        }
        if ($content->isobutylene->before) {
            $questions[] = \sprintf(
                'Isobutylene flowed first: %s spanned now is wrong. Wait ten minutes in clean air and begin the mix anew.',
                $channel->name,
            );
        }
        foreach (['as found' => $content->span->found, 'as left' => $content->span->left] as $when => $rows) {
            if ($rows === []) {
                continue;
            }
            $plateau = Plateau::in($channel, $rows, $response->exact($label));
            $counting = $plateau->rows === [] ? $rows : $plateau->rows;
            $mean = Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $counting));
            $off = Figure::derived(
                'Δ',
                \sprintf('%s %s off the label', $channel->name, $when),
                $mean->minus($response->exact($label)),
                $channel->unit,
                GasEquation::OffLabel,
                [
                    ...Row::of('r_i', array_map(
                        static fn (GasRow $row): Figure => Figure::read(
                            'r',
                            'reading '.$when,
                            $row->value->value,
                            $channel->unit,
                            $check->origin($row->provenance->words()),
                            $row->value->decimals(),
                        ),
                        $counting,
                    )),
                    'c_span' => $label,
                ],
                2,
            );
            [$kept, $allowed] = $when === 'as left'
                ? self::asLeft($channel, $label, $check, $part, $mean->minus($response->exact($label)), $policy)
                : self::asFound($channel, $label, $off, $policy);
            $lines[] = new LiveLine(\sprintf('%s %s, off the label', $channel->name, $when), $off, $kept, $allowed, true);
            if ($plateau->steady === true) {
                $said[] = \sprintf('%s %s stands still: on a plateau.', $channel->name, $when);
            } elseif ($plateau->steady === false) {
                $questions[] = \sprintf('%s %s is not on a plateau yet: it still moves.', $channel->name, $when);
            }
            array_push($questions, ...self::tooShort($channel, $when, $rows));
        }
        $rest = RestOfGas::in($content);
        if ($rest !== null) {
            $setting = $policy->rule('gas.zero-drift');
            $allowed = $setting === null ? null : DriftLimit::of($channel, $setting);
            $lines[] = new LiveLine(
                \sprintf('%s back in clean air', $channel->name),
                $rest->reads($channel, $check),
                $allowed?->isKeptBy($rest->off, $label),
                $allowed?->words() ?? '',
            );
            if ($allowed?->isKeptBy($rest->off, $label) === false) {
                $questions[] = \sprintf('%s is not back yet: wait on in clean air and read it again.', $channel->name);
            }
        }
        foreach ($content->isobutylene->readings as $row) {
            $limit = $channel->kind === GasKind::CarbonMonoxide ? $policy->limit('gas.cross-response', 'answer') : null;
            $lines[] = new LiveLine(
                \sprintf('%s in isobutylene', $channel->name),
                Figure::read(
                    'r',
                    'answer to isobutylene',
                    $row->value->value,
                    $channel->unit,
                    new Origin('check', $check->id, 'typed'),
                    $row->value->decimals(),
                ),
                $limit?->isKeptBy($row->value->value->absolute()),
                $limit?->words() ?? '',
            );
        }

        return new LiveSheet($lines, $questions, $said);
    }

    /**
     * @param non-empty-list<GasRow> $rows
     *
     * @return list<string> that it was read before the sensor can have answered
     */
    private static function tooShort(Channel $channel, string $when, array $rows): array
    {
        $response = $channel->timing->response?->value;
        $last = null;
        foreach ($rows as $row) {
            $at = $row->seconds?->value;
            $last = $at !== null && ($last === null || $at->compareTo($last) > 0) ? $at : $last;
        }

        return $response === null || $last === null || $last->compareTo($response) >= 0 ? [] : [\sprintf(
            '%s %s was read after %s s; it takes %s s to answer to nine tenths. Wait on and read it again.',
            $channel->name,
            $when,
            $last,
            $response,
        )];
    }

    /** @return array{bool|null, string} whether the channel moved no more than is allowed, and that */
    private static function asFound(Channel $channel, Figure $label, Figure $off, Policy $policy): array
    {
        $setting = $policy->rule('gas.span-drift');
        $limit = $setting === null ? null : DriftLimit::of($channel, $setting);

        return [$limit?->isKeptBy($off->value, $label), $limit?->words() ?? ''];
    }

    /** @return array{bool|null, string} whether the channel is fit to go out so, and how far off it may be */
    private static function asLeft(Channel $channel, Figure $label, Check $check, Timeline $part, Exact $off, Policy $policy): array
    {
        $reference = $part->referenceOf($check);
        $tolerance = SpanTolerance::of(
            $channel,
            $label,
            $reference === null ? null : (new Bottle($reference))->uncertainty($channel, $check->at),
            $policy,
        );

        return [$tolerance?->isKeptBy($off), $tolerance === null ? '' : 'not more than '.$tolerance->words];
    }

    /** Of one channel; of the whole unit, at each check the channel that had moved furthest. */
    public function history(Timeline $timeline, \DateTimeImmutable $until): UnitHistory
    {
        if ($timeline->channel !== '') {
            return new UnitHistory(
                GasHistory::points($timeline, $until),
                CommonUnit::Percent,
                CommonUnit::Percent,
                $timeline->channel.' off the label',
            );
        }
        $furthest = [];
        foreach (self::names($timeline->instrument) as $name) {
            foreach (GasHistory::points(ChannelCheck::timeline($name, $timeline), $until) as $point) {
                $before = $furthest[$point->check] ?? null;
                if ($before === null || abs($point->found ?? 0.0) > abs($before->found ?? 0.0)) {
                    $furthest[$point->check] = $point;
                }
            }
        }
        $points = array_values($furthest);
        usort($points, static fn (HistoryPoint $a, HistoryPoint $b): int => $a->at <=> $b->at);

        return new UnitHistory($points, CommonUnit::Percent, CommonUnit::Percent, 'span of the channel furthest off, % of the label');
    }

    public function lastPoint(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint
    {
        if ($timeline->channel !== '') {
            $channel = Channel::named($timeline->instrument, $timeline->channel);

            return $channel === null ? null : GasFold::reading($channel)->last($timeline, $until);
        }
        $furthest = null;
        foreach ($timeline->checksUntil($until) as $last) {
            foreach (self::names($timeline->instrument) as $name) {
                $point = $this->lastPoint(ChannelCheck::timeline($name, $timeline), $until);
                if ($point !== null && $point->check === $last->id
                    && ($furthest === null || abs($point->found ?? 0.0) > abs($furthest->found ?? 0.0))) {
                    $furthest = $point;
                }
            }
            break;
        }

        return $furthest;
    }

    public function actionLimit(Policy $policy): ?Limit
    {
        return $policy->limit('gas.as-found-large', 'share');
    }

    public function sharedShift(): ShiftScale
    {
        return new ShiftScale(2.0, 4.0, CommonUnit::Percent);
    }

    /** @return list<string> */
    private static function names(Instrument $unit): array
    {
        return array_map(static fn (Channel $channel): string => $channel->name, Channel::of($unit));
    }
}
