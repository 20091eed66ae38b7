<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** Where a figure that was not computed came from: a reading, a certificate, a log, a person's statement, a policy. */
final readonly class Origin
{
    /**
     * @param string $kind "check", "certificate", "log", "run", "policy", "criterion", "assumption" or "instrument"
     * @param string $id   identifier of that piece of evidence
     * @param string $note how it came: who, when, typed or photographed
     */
    public function __construct(public string $kind, public string $id, public string $note)
    {
    }
}
