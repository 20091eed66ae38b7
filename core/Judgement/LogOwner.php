<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\LogOrigin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/** What speaks against a log being of the run that it stands under. */
final readonly class LogOwner
{
    public const RULE = 'log.whose';

    /**
     * @param list<string> $doubts   each a sentence
     * @param list<Run>    $claimed  other runs whose log a person has said the same stretch is
     * @param list<string> $evidence identifiers of the other runs that have it too
     */
    private function __construct(public array $doubts, public array $claimed, public array $evidence)
    {
    }

    /** @param Limit $shared how much of a file two runs of one unit may both use, s: the interval at their border */
    public static function of(Run $run, Timeline $timeline, Limit $shared): self
    {
        $origin = $run->source->origin;
        if ($origin === null) {
            return new self([], [], []);
        }
        $unit = $timeline->whole();
        $doubts = [];
        $claimed = [];
        $evidence = [];
        foreach ($unit->elsewhere->withSameLog($run) as $other) {
            if ($other->source->word?->isOwn === false
                || ($other->deployment->instrument === $run->deployment->instrument && $shared->isKeptBy(self::shared($run, $other)))) {
                continue;
            }
            $evidence[] = $other->id;
            if ($other->source->word !== null) {
                $claimed[] = $other;
            }
            $doubts[] = $other->deployment->instrument === $run->deployment->instrument
                ? \sprintf('The same stretch of the file %s is the log of run %s too.', $origin->name, $other->id)
                : \sprintf(
                    'The file %s is the log of run %s too, of %s on %s: one file, two instruments.',
                    $origin->name,
                    $other->id,
                    $other->deployment->instrument,
                    $other->deployment->person,
                );
        }
        $doubts = [...$doubts, ...self::foreign($run, $origin, $unit)];

        return new self($doubts, $claimed, $evidence);
    }

    /** @return list<string> */
    private static function foreign(Run $run, LogOrigin $origin, Timeline $unit): array
    {
        if (self::isCalled($origin, $unit->instrument->id)
            || ($unit->instrument->serial !== null && self::isCalled($origin, $unit->instrument->serial))) {
            return [];
        }
        $serials = $origin->serials();
        $said = implode(' and ', $serials);
        $own = $unit->instrument->serial;
        if ($own !== null && $serials !== []) {
            return [
                \sprintf('The file %s gives the serial number %s; that of %s is %s.', $origin->name, $said, $unit->instrument->id, $own),
            ];
        }
        foreach ($unit->elsewhere->units() as $other) {
            foreach (array_filter([$other->serial, $other->id], \is_string(...)) as $name) {
                if ($origin->names($name)
                    || array_filter($serials, static fn (string $serial): bool => LogOrigin::isSame($serial, $name)) !== []) {
                    return [
                        \sprintf(
                            'The file %s names %s, which is %s, and not %s.',
                            $origin->name,
                            $name,
                            $name === $other->id ? 'another instrument' : 'instrument '.$other->id,
                            $unit->instrument->id,
                        ),
                    ];
                }
            }
        }

        return self::unlikeOthers($run, $serials, $unit);
    }

    /**
     * Where nobody stated the unit's serial number, the files of its other runs tell it.
     *
     * @param list<string> $serials
     *
     * @return list<string>
     */
    private static function unlikeOthers(Run $run, array $serials, Timeline $unit): array
    {
        if ($serials === []) {
            return [];
        }
        $others = [];
        $sure = [];
        foreach ($unit->elsewhere->tellingSerials($run) as $other) {
            if ($other->source->word?->isOwn === false) {
                continue;
            }
            $others[] = $other;
            if ($other->source->word !== null) {
                $sure[] = $other;
            }
        }
        foreach ($sure === [] ? $others : $sure as $other) {
            $its = $other->source->origin?->serials() ?? [];
            foreach ($serials as $one) {
                foreach ($its as $known) {
                    if (LogOrigin::isSame($one, $known)) {
                        continue 3;
                    }
                }
            }

            return [
                \sprintf(
                    'The file %s gives the serial number %s; the log of run %s, of the same instrument, gives %s.',
                    $run->source->origin->name ?? '',
                    implode(' and ', $serials),
                    $other->id,
                    implode(' and ', $its),
                ),
            ];
        }

        return [];
    }

    private static function isCalled(LogOrigin $origin, string $name): bool
    {
        foreach ($origin->serials() as $serial) {
            if (LogOrigin::isSame($serial, $name)) {
                return true;
            }
        }

        return $origin->names($name);
    }

    /** How much of one file both runs use, s. */
    private static function shared(Run $one, Run $other): float
    {
        $a = self::stretch($one);
        $b = self::stretch($other);

        return $a === null || $b === null ? 0.0 : min($a[1], $b[1]) - max($a[0], $b[0]);
    }

    /** @return array{float, float}|null the part of its file that a run uses, s from its first interval */
    private static function stretch(Run $run): ?array
    {
        $log = $run->content instanceof Logged ? $run->content->log() : null;
        if ($log === null) {
            return null;
        }
        $first = $run->trueTime($log->start());
        $after = static fn (\DateTimeImmutable $moment): float => (float) $moment->format('U.u') - (float) $first->format('U.u');
        $whole = $log->step() * $log->length();

        return [max(0.0, $after($run->timing->start)), min($whole, $run->timing->stop === null ? $whole : $after($run->timing->stop))];
    }
}
