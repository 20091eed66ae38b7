<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timeline;

/** One channel's part of a gas check: its readings in clean air and in its own span gas. */
final readonly class ChannelCheck implements CheckContent
{
    /**
     * @param bool|null $saved whether saving was confirmed; null where nothing was said
     * @param bool      $byAir whether clean air is its span, since no cylinder holds its gas: oxygen
     */
    private function __construct(
        public GasCheck $whole,
        public Channel $channel,
        public StageReadings $zero,
        public StageReadings $span,
        public UnderIsobutylene $isobutylene,
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
        $bottle = $stage === GasStage::Isobutylene ? ($whole->isobutylene->reference ?? $check->reference) : $check->reference;
        $content = new self(
            $whole,
            $channel,
            new StageReadings(
                $whole->of(GasStage::Zero->found(), $channel->name),
                $whole->of(GasStage::Zero->left(), $channel->name),
                $whole->wasAdjustedAt(GasStage::Zero),
            ),
            new StageReadings($found, $left, $adjusted),
            new UnderIsobutylene(
                $stage === GasStage::Isobutylene ? [] : $whole->of(GasStage::Isobutylene->found(), $channel->name),
                $isCarbonMonoxide && self::isobutyleneFirst($check),
            ),
            match ($check->step(GasProcedures::SAVE)) {
                StepState::Done => true,
                StepState::Skipped => false,
                default => null,
            },
            $byAir,
        );
        $steps = [];
        foreach ($check->walk->steps as $id => $state) {
            // Isobutylene reaches the CO cell: for that cell the order of both gases counts.
            $foreign = !$isCarbonMonoxide
                && GasProcedures::stageOf($id) !== null
                && !\in_array(GasProcedures::stageOf($id), [GasStage::Zero, $stage], true);
            $steps[$id] = $foreign ? StepState::NotApplicable : $state;
        }

        return new Check($check->id, $check->instrument, $check->at, $bottle, $content, $check->walk->only($steps), $check->notes);
    }

    /** The same unit told of one channel alone. */
    public static function timeline(string $name, Timeline $whole): Timeline
    {
        $channel = Channel::named($whole->instrument, $name);

        return $whole->ofChannel(
            $name,
            static fn (Check $check): ?Check => $channel === null ? null : self::project($check, $channel),
            static fn (Intervention $event): bool => $event->channel === null || $event->channel === $name,
        );
    }

    private static function isobutyleneFirst(Check $check): bool
    {
        $isobutylene = null;
        foreach (array_keys($check->walk->steps) as $place => $id) {
            $stage = GasProcedures::stageOf($id);
            if ($check->walk->steps[$id] !== StepState::Done) {
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
        return $this->whole->zero->bottle === null ? [] : [$this->whole->zero->bottle];
    }

    public function wasAdjusted(): bool
    {
        return $this->span->adjusted;
    }

    public function hasAsFound(): bool
    {
        return $this->span->found !== [];
    }

    public function asLeftIsKnown(): bool
    {
        return !$this->span->adjusted || $this->span->left !== [];
    }
}
