<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** The names that stand in a column of runs, each once: from one to the next along its index, since years of runs hold few of them. */
final class EachName
{
    /**
     * @param 'person'|'task' $column
     * @param string          $counts a condition on states s of runs that hold them
     *
     * @return string a query of names n, which a further condition on n may follow
     */
    public static function in(string $column, string $counts = "s.campaign_id <> ''"): string
    {
        $after = static fn (string $name): string => "SELECT MIN(s.$column) FROM run_state s WHERE s.$column > $name AND $counts";

        return \sprintf('WITH RECURSIVE t(n) AS (%s UNION ALL SELECT (%s) FROM t WHERE t.n IS NOT NULL)', $after("''"), $after('t.n'))
            .' SELECT n FROM t WHERE n IS NOT NULL';
    }
}
