<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Span gas stands in the log; the stretch was taken out. */
final readonly class TestGasInside extends ChannelRule
{
    public function id(): string
    {
        return 'gas.test-gas';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($results->testGas as $gas) {
            yield $setting->finding(\sprintf('From %s to %s the unit stood at span gas, %s; the stretch is not in the sums.', $case->hour($gas->span->from), $case->hour($gas->span->to), $gas->words()), [$case->run->id]);
        }
    }
}
