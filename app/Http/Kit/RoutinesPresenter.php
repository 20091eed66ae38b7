<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Http\Bench\FitnessPresenter;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Runs\FitNow;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Judgement\RoutineOfUnit;
use Footnote\Core\Record\Formats;

/** What is wanted of one unit again and again: how often, by whom, when it was last done and until when that counts. */
final readonly class RoutinesPresenter
{
    public function __construct(
        private FitNow $fit,
        private SiteClock $site,
        private Formats $families,
    ) {
    }

    /** @return array{fit: array<string, mixed>|null, routines: list<array<string, mixed>>, settable: list<string>} */
    public function of(Instrument $unit): array
    {
        $now = $this->site->now();
        $fitness = $this->fit->of($unit->id);
        $wanted = [];
        $done = [];
        foreach ($fitness->routines ?? [] as $one) {
            $wanted[$one->rule->id] ??= self::wanted($one);
            $done[$one->rule->id][] = self::done($one, $now);
        }

        return [
            'fit' => $fitness === null ? null : FitnessPresenter::shown($fitness, $now),
            'routines' => array_map(
                static fn (array $routine, array $times): array => [...$routine, 'done' => $times],
                array_values($wanted),
                array_values($done),
            ),
            'settable' => array_map(static fn (Routine $routine): string => $routine->id(), $this->families->routines($unit->family)),
        ];
    }

    /** @return array<string, mixed> */
    private static function wanted(RoutineOfUnit $one): array
    {
        $source = $one->standing->source($one->rule);

        return [
            'routine' => $one->standing->routine->id(),
            'every' => $one->standing->interval->words(),
            'own' => $one->standing->own !== null,
            'source' => $source->words,
            'mark' => $source->mark->value,
        ];
    }

    /** @return array<string, mixed> */
    private static function done(RoutineOfUnit $one, \DateTimeImmutable $now): array
    {
        return [
            'channel' => $one->channel,
            'evidence' => $one->standing->done?->evidence,
            'at' => $one->standing->done?->at->setTimezone($now->getTimezone())->format(\DATE_ATOM),
            'until' => $one->standing->until()?->setTimezone($now->getTimezone())->format(\DATE_ATOM),
            'over' => $one->standing->isOverAt($now),
        ];
    }
}
