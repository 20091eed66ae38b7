<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What was written of the run was corrected since: both are told, with who did it and why. */
final readonly class RunCorrected implements Rule
{
    public function id(): string
    {
        return 'run.corrected';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->run->notes->corrections as $one) {
            yield $setting->finding(
                \sprintf(
                    '%s is %s; %s was written. Corrected by %s on %s: %s.',
                    ucfirst($one->what),
                    $one->is === '' ? 'taken back' : self::shown($one->is, $case),
                    $one->was === '' ? 'nothing' : self::shown($one->was, $case),
                    $one->by,
                    $one->at->format('j M Y H:i'),
                    rtrim($one->reason, '.'),
                ),
                [$case->run->id],
            );
        }
    }

    /** Moments as people of the site say them. */
    private static function shown(string $value, RunCase $case): string
    {
        return preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d/', $value) === 1
            ? (new \DateTimeImmutable($value))->setTimezone($case->run->timing->start->getTimezone())->format('j M Y H:i')
            : $value;
    }
}
