<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** A stand-in does not have that fault. */
final class NoSuchFault extends \InvalidArgumentException
{
    public static function of(StandIn $standIn, string $fault): self
    {
        $known = array_map(static fn (Fault $one): string => $one->id, $standIn->faults());

        return new self(\sprintf('%s has no fault "%s"; it has %s.', $standIn->title(), $fault, implode(', ', $known)));
    }
}
