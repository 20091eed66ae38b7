<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\UnitTimer;
use Footnote\App\Logbook\UnitTimers;
use Footnote\App\Refusal\Problem;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Timers of units: several at once, seen by everybody. They are no evidence, so the journal does not tell of them. */
final readonly class Timers
{
    /** Longer than anything is charged, s. */
    public const LONGEST = 86400;

    /**
     * So long a timer may have begun before a check takes it over, s: whatever was switched on earlier may have been off
     * since (own).
     */
    private const FRESH = 14400;

    public function __construct(
        private EntityManagerInterface $entities,
        private UnitTimers $timers,
        private Drafts $drafts,
        private ClockInterface $clock,
    ) {
    }

    /**
     * One for each unit; one that waits for the same already begins anew.
     *
     * @param list<string> $units
     */
    public function start(User $by, array $units, TimedWait $what, int $seconds): void
    {
        foreach ($units as $place => $unit) {
            if ($this->entities->find(RegisteredInstrument::class, $unit) === null) {
                throw Problem::field('/units/'.$place, 'is not in the kit.');
            }
        }
        $now = $this->clock->now();
        $this->entities->wrapInTransaction(function () use ($by, $units, $what, $seconds, $now): void {
            foreach ($units as $unit) {
                foreach ($this->timers->runningOf($unit, $what->value) as $earlier) {
                    $earlier->end($now);
                }
                $timer = new UnitTimer((string) new Ulid(), $unit, $what->value, $seconds, $by->code, $now);
                $this->entities->persist($timer);
                $draft = $this->drafts->openOf($unit);
                if ($draft !== null) {
                    self::takeOver($draft, $timer);
                }
            }
        });
    }

    public function end(string $id): void
    {
        $timer = $this->entities->find(UnitTimer::class, $id) ?? throw Problem::missing('This timer');
        if (!$timer->isEnded()) {
            $timer->end($this->clock->now());
            $this->entities->flush();
        }
    }

    /** A check that begins waits no longer for what its unit has been doing since a while. */
    public function inherit(Draft $draft): void
    {
        foreach (TimedWait::cases() as $what) {
            foreach ($this->timers->runningOf($draft->instrument, $what->value) as $timer) {
                if ($this->clock->now()->getTimestamp() - $timer->startedAt->getTimestamp() <= self::FRESH) {
                    self::takeOver($draft, $timer);
                }
            }
        }
    }

    private static function takeOver(Draft $draft, UnitTimer $timer): void
    {
        $step = TimedWait::tryFrom($timer->what)?->step();
        $answers = $draft->answers();
        $steps = \is_array($answers['steps'] ?? null) ? $answers['steps'] : [];
        if ($step === null || isset($steps[$step])) {
            return;
        }
        $at = $timer->startedAt->format(\DATE_ATOM);
        foreach (['waits', 'stepWaits'] as $name) {
            $known = \is_array($answers[$name] ?? null) ? $answers[$name] : [];
            $answers[$name] = [...$known, $step => $at];
        }
        $draft->answer($answers, $draft->typed());
    }
}
