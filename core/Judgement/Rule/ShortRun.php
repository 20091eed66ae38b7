<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\Moments;

/** The run is shorter than it was planned to be. */
final readonly class ShortRun implements Rule
{
    public function id(): string
    {
        return 'run.short';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $planned = $case->run->timing->plannedMinutes;
        if ($planned === null || $planned <= 0 || $case->run->timing->stop === null) {
            return;
        }
        $limit = $setting->limit('share');
        $wanted = Figure::read(
            'T',
            'planned to run',
            Exact::of(number_format($planned, 6, '.', '')),
            CommonUnit::Minute,
            new Origin('run', $case->run->id, 'planned at its start'),
            0,
        );
        $ran = (new Moments($case->run))->ran();
        $minutes = Exact::of(number_format($ran->toFloat(), 6, '.', ''));
        $share = Figure::derived(
            's',
            'share of what was planned',
            $minutes->times(100)->dividedBy($wanted->value instanceof Exact ? $wanted->value : Exact::of(1)),
            CommonUnit::Percent,
            SharedEquation::ShareOf,
            ['x' => $ran, 'X' => $wanted],
            0,
        );
        if (!$limit->isKeptBy($share->value)) {
            yield $setting->finding(
                \sprintf(
                    'It ran %s of %s planned minutes, %s %%.',
                    $ran->shown(),
                    $wanted->shown(),
                    $share->shown(),
                ),
                [$case->run->id],
                $limit,
            )->naming($ran, $wanted, $share);
        }
    }
}
