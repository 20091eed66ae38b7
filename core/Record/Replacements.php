<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Check;

/** Which checks of a record stand in the place of which, told to both. */
final class Replacements
{
    /**
     * @param list<Check>  $checks
     * @param list<Fields> $told   the same as they were told
     *
     * @return list<Check> in their order
     *
     * @throws InvalidRecord where one names none, or two name one
     */
    public static function told(array $checks, array $told): array
    {
        $place = [];
        foreach ($checks as $i => $check) {
            $place['='.$check->id] = $i;
        }
        $by = [];
        foreach ($checks as $i => $check) {
            $old = $check->notes->inPlaceOf?->check;
            if ($old === null) {
                continue;
            }
            $of = $place['='.$old] ?? throw self::refused($told[$i], \sprintf('"%s" is not among the checks.', $old));
            if ($checks[$of]->instrument !== $check->notes->inPlaceOf->instrument) {
                throw self::refused($told[$i], \sprintf('was written for %s.', $checks[$of]->instrument));
            }
            if (isset($by[$of])) {
                throw self::refused($told[$i], \sprintf('%s stands in the place of %s already.', $checks[$by[$of]]->id, $old));
            }
            $by[$of] = $i;
        }
        self::refuseCircles($by, $told);
        foreach ($by as $of => $i) {
            $why = $checks[$i]->notes->inPlaceOf;
            $checks[$of] = $why === null ? $checks[$of] : $checks[$of]->replacedBy($checks[$i]->id, $checks[$i]->instrument, $why);
        }

        return array_values($checks);
    }

    /**
     * @param array<int, int> $by   the place of each that was replaced, and of what stands in its place
     * @param list<Fields>    $told
     */
    private static function refuseCircles(array $by, array $told): void
    {
        foreach ($by as $of => $next) {
            for ($far = 0; isset($by[$next]); $next = $by[$next]) {
                if ($next === $of || ++$far > \count($by)) {
                    throw self::refused($told[$by[$of]], 'comes round to itself: none of them counts.');
                }
            }
        }
    }

    private static function refused(Fields $told, string $problem): InvalidRecord
    {
        return new InvalidRecord($told->object('inPlaceOf')->at('check'), $problem);
    }
}
