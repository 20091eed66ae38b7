<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Quantity\Exact;

/** When a gas check shows nothing of a channel: bump only, not on a plateau, the wrong bottle, CO after isobutylene. */
final readonly class GasUsability implements Usability
{
    public const BUMP = 'a bump test shows that a sensor answers, not that it is right';
    public const NO_ANSWER = 'none of the channels answered: was the cylinder open, and the cap on?';
    /** Of the step from clean air to the label: below it a sensor did not answer, % (own). */
    private const ANSWER = 5;
    /** Where no policy says otherwise (own). */
    private const BUMP_SHARE = '50';
    private const BUMP_SECONDS = '60';

    public function __construct(private ?Policy $policy = null)
    {
    }

    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        $reasons = UnusableBecause::usual($check);
        $whole = $content instanceof ChannelCheck ? $content->whole : $content;
        if ($whole instanceof GasCheck && $whole->isBump()) {
            $reasons[] = self::BUMP;
        }
        if ($content instanceof ChannelCheck) {
            return [...$reasons, ...$this->ofChannel($check, $content, $timeline)];
        }
        if ($content instanceof GasCheck && !$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
        }

        return $content instanceof GasCheck ? $reasons : ['not a gas check'];
    }

    public function asksOnlyWhetherItWorks(Check $check): bool
    {
        $content = $check->content;
        $whole = $content instanceof ChannelCheck ? $content->whole : $content;

        return $whole instanceof GasCheck && $whole->isBump() && !$check->walk->brokenOff;
    }

    public function whyFailed(Check $check, Timeline $timeline, bool $asLeft): ?string
    {
        $content = $check->content;
        if ($check->notes->setAside !== null
            || $check->walk->brokenOff
            || !$content instanceof ChannelCheck
            || !$content->whole->isBump()) {
            return null;
        }
        $bump = $this->bump($check, $content, $timeline);

        return $bump->outcome === BumpOutcome::Failed
            ? \sprintf('the bump test moved %s by %s %% of the way to its label', $content->channel->name, $bump->share?->rounded(0) ?? '0')
            : null;
    }

    public function bump(Check $check, ChannelCheck $content, Timeline $timeline): Bump
    {
        $limit = fn (string $name, string $else): Exact => $this->policy?->limit('gas.bump', $name)->value->value ?? Exact::of($else);

        return Bump::of($check, $content, $timeline, $limit('share', self::BUMP_SHARE), $limit('seconds', self::BUMP_SECONDS));
    }

    /** Whether no channel that the cylinder of this one holds answered to it. */
    private static function noneAnswered(Check $check, ChannelCheck $content, Timeline $timeline): bool
    {
        $whole = $timeline->whole();
        $stage = GasStage::ofSpan($content->channel->kind);
        $asked = 0;
        $answered = 0;
        foreach (Channel::of($whole->instrument) as $channel) {
            $rows = GasStage::ofSpan($channel->kind) === $stage ? $content->whole->of($stage->found(), $channel->name) : [];
            $reference = $timeline->referenceOf($check);
            $label = $rows === [] || $reference === null ? null : (new Bottle($reference))->label($channel, $check->at)?->value;
            if (!$label instanceof Exact || $label->compareTo($channel->kind->inCleanAir()) === 0) {
                continue;
            }
            ++$asked;
            $clean = $channel->kind->inCleanAir();
            $read = Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $rows));
            // A unit that was told to expect less shows less of the same gas.
            $steps = [
                $label->minus($clean),
                ...array_filter(
                    array_map(static fn (GasRow $row): ?Exact => $row->expected?->value->minus($clean), $rows),
                    static fn (?Exact $step): bool => $step !== null && !$step->isZero(),
                ),
            ];
            usort($steps, static fn (Exact $a, Exact $b): int => $a->absolute()->compareTo($b->absolute()));
            $step = $steps[0];
            if ($read->minus($clean)->times(100)->dividedBy($step)->compareTo(Exact::of(self::ANSWER)) >= 0) {
                ++$answered;
            }
        }

        return $asked > 0 && $answered === 0;
    }

    /** @return list<string> */
    private function ofChannel(Check $check, ChannelCheck $content, Timeline $timeline): array
    {
        $reasons = [];
        $response = new GasResponse($content->channel);
        $label = $response->label($check, $content, $timeline);
        if ($label === null) {
            $reasons[] = \sprintf(
                '%s does not say how much %s it holds',
                $check->reference ?? 'no cylinder that is named',
                $content->channel->spanGas(),
            );
        } elseif (\Footnote\Core\Quantity\Real::isZero($label->value)) {
            $reasons[] = 'its span gas is zero: a zero is no span';
        }
        if (!$content->whole->isBump() && $content->hasAsFound() && self::noneAnswered($check, $content, $timeline)) {
            $reasons[] = self::NO_ANSWER;
        }
        if ($content->isobutylene->before) {
            $reasons[] = \sprintf('%s was spanned after isobutylene had flowed over it', $content->channel->name);
        }
        if (!$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
        } elseif ($label !== null && Plateau::in($content->channel, $content->span->found, $response->exact($label))->steady === false) {
            $reasons[] = 'the reading as found was not on a plateau';
        }
        if ($label !== null
            && $content->span->left !== []
            && Plateau::in($content->channel, $content->span->left, $response->exact($label))->steady === false) {
            $reasons[] = 'the reading as left was not on a plateau';
        }

        return $reasons;
    }
}
