<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** Reads a piece of a record to its end before it is refused, so that all that is wrong with it is told at once. */
final class Whole
{
    /**
     * What is read behind a fault is read of something that nobody wrote: where there is a fault of a field, nothing else that goes
     * wrong is told.
     *
     * @template T
     *
     * @param \Closure(Fields): T $read
     *
     * @return T
     *
     * @throws InvalidRecord naming every field that is wrong
     */
    public static function read(Fields $fields, \Closure $read): mixed
    {
        if ($fields->faults !== null) {
            // A piece of a piece: who reads the whole tells it.
            return $read($fields);
        }
        $faults = new Faults();
        try {
            $value = $read($fields->gathering($faults));
        } catch (\Exception $problem) {
            throw $faults->together() ?? $problem;
        }
        $fault = $faults->together();

        return $fault === null ? $value : throw $fault;
    }
}
