<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasUnit;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A percentage of the lower explosive limit means nothing beside a limit until both say how much methane is a hundred. */
final readonly class LelBasis extends ChannelRule
{
    public function id(): string
    {
        return 'gas.lel-basis';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $held = array_values(
            array_filter(
                $case->answers,
                static fn (Result $result): bool => $result->outcomes !== []
                    && $result->reportedFigure()->unit === GasUnit::PercentExplosive,
            ),
        );
        if ($results->sensed->lelDoubt !== null && $held !== []) {
            yield $setting->finding(
                \sprintf('A limit in %% LEL is held against %s, and %s.', $results->sensed->channel->name, $results->sensed->lelDoubt),
                [$case->run->id],
                cure: new Cure(
                    'what 100 % LEL is taken for, on the cylinder and on the limit: 5.0 or 4.4 % vol of methane',
                    Cure::ANY_TIME,
                    CuredAt::Kit,
                ),
            )
                ->ofResults(...array_map(static fn (Result $result): string => $result->key, $held));
        }
    }
}
