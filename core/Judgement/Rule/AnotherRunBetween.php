<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Several runs share both ends of one bracket. */
final readonly class AnotherRunBetween implements Rule
{
    public function id(): string
    {
        return 'bracket.another-run';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $others = array_values(array_filter($case->bracket->runs, static fn ($run): bool => $run->id !== $case->run->id));
        if ($others !== []) {
            $ids = array_map(static fn ($run): string => $run->id, $others);
            yield $setting->finding(
                \sprintf(
                    '%s in the same bracket: %s. They share both ends.',
                    \count($others) === 1 ? 'Another run lies' : \count($others).' other runs lie',
                    implode(', ', $ids),
                ),
                $ids,
            );
        }
    }
}
