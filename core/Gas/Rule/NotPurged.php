<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\DriftLimit;
use Footnote\Core\Gas\GasProcedures;
use Footnote\Core\Gas\GasResponse;
use Footnote\Core\Gas\RestOfGas;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;

/** Test gas was still in the cell when the check ended, and the run began soon after it. How far off is that of a zero. */
final readonly class NotPurged extends ChannelRule implements KnownBeforehand
{
    /** So long a check lasts at most from its first reading, min, where nobody noted when it ended (own). */
    private const LONGEST_CHECK = 45;

    public function id(): string
    {
        return 'gas.not-purged';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $drift = $case->heldTo->policy->rule('gas.zero-drift');
        $last = self::last($case);
        if ($last === null || $drift === null) {
            return;
        }
        [$check, $content, $rest] = $last;
        $label = (new GasResponse($results->sensed->channel))->label($check, $content, $case->timeline);
        $allowed = DriftLimit::of($results->sensed->channel, $drift);
        if ($label === null || $allowed->isKeptBy($rest->off, $label)) {
            return;
        }
        $limit = $setting->limit('minutes');
        $read = $check->walk->pace->done[GasProcedures::PURGED] ?? Span::shift($check->at, 60.0 * self::LONGEST_CHECK);
        $seconds = max(0, $case->run->timing->start->getTimestamp() - $read->getTimestamp());
        if (!$limit->isKeptBy(Exact::of((string) $seconds)->dividedBy(60))) {
            $figure = $rest->reads($results->sensed->channel, $check);
            yield $setting->finding(
                \sprintf(
                    '%s still read %s %s in clean air at the end of the check of %s; allowed off its zero is %s.',
                    $results->sensed->channel->name,
                    $figure->shown(),
                    $figure->unit->value,
                    $case->hour($check->at),
                    $allowed->words(),
                ),
                [$check->id],
                $limit,
            )->naming($figure);
        }
    }

    /**
     * The last check before the run, or bump test after it, that says how it ended in clean air.
     *
     * @return array{Check, ChannelCheck, RestOfGas}|null
     */
    private static function last(RunCase $case): ?array
    {
        $pre = $case->bracket->pre;
        $last = null;
        foreach ($pre === null ? [] : $case->timeline->checksFrom($pre->at, $case->run->timing->start) as $check) {
            $content = $check->content;
            $counts = $check->id === $pre?->id
                || ($content instanceof ChannelCheck && $content->whole->isBump() && $check->notes->setAside === null);
            $rest = $counts && $content instanceof ChannelCheck ? RestOfGas::in($content) : null;
            if ($content instanceof ChannelCheck && $rest !== null) {
                $last = [$check, $content, $rest];
            }
        }

        return $last;
    }
}
