<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timeline;

/** One channel's part of a gas check: its readings in clean air and in its own span gas. */
final readonly class ChannelCheck implements CheckContent
{
    /**
     * @param list<GasRow> $zeroFound
     * @param list<GasRow> $zeroLeft
     * @param list<GasRow> $spanFound
     * @param list<GasRow> $spanLeft
     * @param list<GasRow> $inIsobutylene what the channel showed while isobutylene flowed, where that is not its span
     * @param bool         $afterIsobutylene whether it was spanned after isobutylene had flowed over it
     * @param bool         $byAir         whether clean air is its span, since no cylinder holds its gas: oxygen
     * @param bool|null    $saved         whether saving was confirmed; null where nothing was said
     */
    private function __construct(
        public GasCheck $whole,
        public Channel $channel,
        public array $zeroFound,
        public array $zeroLeft,
        public array $spanFound,
        public array $spanLeft,
        public array $inIsobutylene,
        public bool $zeroAdjusted,
        public bool $spanAdjusted,
        public bool $afterIsobutylene,
        public ?bool $saved,
        public bool $byAir = false,
    ) {
    }

    /** The check as this channel's own; null where nothing of it is about the channel's span. */
    public static function project(Check $check, Channel $channel): ?Check
    {
        $whole = $check->content;
        if (!$whole instanceof GasCheck) {
            return null;
        }
        $stage = GasStage::ofSpan($channel->kind);
        $found = $whole->of($stage->found(), $channel->name);
        $left = $whole->of($stage->left(), $channel->name);
        // An adjustment without a single reading touches every channel of its stage; with readings, those that were read.
        $unread = ($whole->rows[$stage->found()] ?? []) === [] && ($whole->rows[$stage->left()] ?? []) === [];
        $adjusted = $whole->wasAdjustedAt($stage) && ($unread || $found !== [] || $left !== []);
        // Oxygen that no cylinder was read in is spanned by the air in which the unit was zeroed.
        $byAir = $channel->kind === GasKind::Oxygen && $found === [] && $left === [] && !$whole->isBump();
        if ($byAir) {
            $found = $whole->of(GasStage::Zero->found(), $channel->name);
            $left = $whole->of(GasStage::Zero->left(), $channel->name);
            $adjusted = $whole->wasAdjustedAt(GasStage::Zero);
        }
        if ($found === [] && $left === [] && (!$adjusted || $byAir)) {
            return null;
        }
        $isCarbonMonoxide = $channel->kind === GasKind::CarbonMonoxide;
        $bottle = $stage === GasStage::Isobutylene ? ($whole->isobutyleneBottle ?? $check->reference) : $check->reference;
        $content = new self(
            $whole,
            $channel,
            $whole->of(GasStage::Zero->found(), $channel->name),
            $whole->of(GasStage::Zero->left(), $channel->name),
            $found,
            $left,
            $stage === GasStage::Isobutylene ? [] : $whole->of(GasStage::Isobutylene->found(), $channel->name),
            $whole->wasAdjustedAt(GasStage::Zero),
            $adjusted,
            $isCarbonMonoxide && self::isobutyleneFirst($check),
            match ($check->step(GasProcedures::SAVE)) {
                StepState::Done => true,
                StepState::Skipped => false,
                default => null,
            },
            $byAir,
        );
        $steps = [];
        foreach ($check->steps as $id => $state) {
            // Isobutylene reaches the CO cell: for that cell the order of both gases counts.
            $foreign = !$isCarbonMonoxide
                && GasProcedures::stageOf($id) !== null
                && !\in_array(GasProcedures::stageOf($id), [GasStage::Zero, $stage], true);
            $steps[$id] = $foreign ? StepState::NotApplicable : $state;
        }

        return new Check(
            $check->id,
            $check->instrument,
            $check->at,
            $check->by,
            $bottle,
            $content,
            $steps,
            $check->brokenOff,
            $check->setAside,
            $check->remarks,
        );
    }

    /** The same unit told of one channel alone. */
    public static function timeline(string $name, Timeline $whole): Timeline
    {
        return $whole->memory->once('channel '.$name, static function () use ($name, $whole): Timeline {
            $channel = Channel::named($whole->instrument, $name);
            $checks = $channel === null
                ? []
                : array_values(
                    array_filter(array_map(static fn (Check $check): ?Check => self::project($check, $channel), $whole->checks)),
                );
            $touching = array_values(
                array_filter($whole->interventions, static fn ($event): bool => $event->channel === null || $event->channel === $name),
            );

            return new Timeline($whole->instrument, $checks, $touching, $whole->runs, $whole->references, $name, $whole, $whole->elsewhere);
        });
    }

    private static function isobutyleneFirst(Check $check): bool
    {
        $isobutylene = null;
        foreach (array_keys($check->steps) as $place => $id) {
            $stage = GasProcedures::stageOf($id);
            if ($check->steps[$id] !== StepState::Done) {
                continue;
            }
            if ($stage === GasStage::Isobutylene) {
                $isobutylene ??= $place;
            } elseif ($stage === GasStage::Mix && $isobutylene !== null) {
                return true;
            }
        }

        return false;
    }

    public function procedure(): string
    {
        return $this->whole->procedure();
    }

    public function leansOn(): array
    {
        return $this->whole->zeroBottle === null ? [] : [$this->whole->zeroBottle];
    }

    public function wasAdjusted(): bool
    {
        return $this->spanAdjusted;
    }

    public function hasAsFound(): bool
    {
        return $this->spanFound !== [];
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->spanAdjusted || $this->spanLeft !== [];
    }
}
