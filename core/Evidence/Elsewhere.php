<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What is known besides of logs and units, and bears on whose log a run's is. */
interface Elsewhere
{
    /** @return list<Run> every other run under which the same file stands, those of the unit itself first */
    public function withSameLog(Run $run): array;

    /** @return iterable<Run> the unit's other runs whose files give a serial number, by their start */
    public function tellingSerials(Run $run): iterable;

    /** @return list<UnitName> every other unit */
    public function units(): array;
}
