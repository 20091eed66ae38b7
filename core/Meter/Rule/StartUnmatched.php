<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;
use Footnote\Core\Meter\MeterRun;
use Footnote\Core\Noise\Sound;
use Footnote\Core\Quantity\Span;

/** The start that was noted by hand is not the one of the file: it may be of another room. */
final readonly class StartUnmatched implements Rule
{
    private const DAY = 86400;

    public function id(): string
    {
        return 'noise.start-unmatched';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        [$noted, $started] = self::times($case->run);
        if ($meter === null || $noted === null || $started === null) {
            return;
        }
        $limit = $setting->limit('apart');
        $apart = self::apart($noted, $started, $meter->record->delay());
        if ($limit->isKeptBy($apart)) {
            return;
        }
        $fits = null;
        $start = $case->run->timing->start;
        // Of the same day of its site, which may have 25 hours.
        $around = [Span::shift($start, -2 * self::DAY), Span::shift($start, 2 * self::DAY)];
        foreach ($case->timeline->runsFrom(...$around) as $other) {
            [$hand] = self::times($other);
            if ($fits === null
                && $hand !== null
                && $other->id !== $case->run->id
                && $other->timing->start->format('Y-m-d') === $start->format('Y-m-d')
                && $limit->isKeptBy(self::apart($hand, $started, MeterRun::record($other)?->delay() ?? 0.0))) {
                $fits = $other;
            }
        }
        yield $setting->finding(
            \sprintf(
                'Noted by hand: %s; the file began at %s, %s apart.',
                self::words($noted),
                self::words($started),
                $apart < 120 ? \sprintf('%d s', (int) round($apart)) : \sprintf('%d min', (int) round($apart / 60)),
            ),
            [$case->run->id],
            $limit,
            advice: $fits === null
                ? 'No start that was noted on that day fits the file.'
                : \sprintf(
                    'The file fits the start that was noted for %s, %s.',
                    $fits->id,
                    $fits->deployment->place === '' ? $fits->deployment->task : $fits->deployment->place,
                ),
        );
    }

    /**
     * The start noted by hand and the one by the unit, its clock set right, s since midnight. A log that goes on over several
     * rooms began with the first of them: where it holds the moment that was noted, it is the right one.
     *
     * @return array{?float, ?float}
     */
    private static function times(Run $run): array
    {
        $meter = MeterRun::record($run);
        $noted = $meter?->noted;
        $log = Sound::heard($run)?->log;
        if ($log === null) {
            return [$noted, $meter?->fileStart === null ? null : $meter->fileStart - ($run->timing->clockOffset ?? 0.0)];
        }
        $began = $run->trueTime($log->start())->setTimezone($run->timing->start->getTimezone());
        $started = (float) ($began->format('G') * 3600 + $began->format('i') * 60 + $began->format('s'));
        $into = $noted === null ? 0.0 : fmod($noted - $started + self::DAY, self::DAY);

        return [$noted, $noted !== null && $into < $log->length() * $log->step() ? $noted : $started];
    }

    /** Seconds apart, over midnight too; the unit may name a file by the key or by the end of its delay. */
    private static function apart(float $noted, float $started, float $delay): float
    {
        $late = fmod($started - $noted + 1.5 * self::DAY, self::DAY) - 0.5 * self::DAY;

        return max(-$late, $late - $delay, 0.0);
    }

    private static function words(float $seconds): string
    {
        return \sprintf('%02d:%02d:%02d', intdiv((int) $seconds, 3600) % 24, intdiv((int) $seconds, 60) % 60, (int) $seconds % 60);
    }
}
