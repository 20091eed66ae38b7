<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Reference;

/** A reference that may be chosen at a check: its settings, and what speaks against it. */
final readonly class ReferenceChoice
{
    /**
     * @param string                                     $about    in a few words
     * @param list<array{value: string, words: string}>  $settings levels, throats: one of them is chosen with it; none: only the reference
     * @param list<string>                               $problems
     */
    public function __construct(public Reference $reference, public string $about, public array $settings, public array $problems)
    {
    }

    /** @return list<string> what speaks against any reference on a day: its certificate, a recall */
    public static function problemsOf(Reference $reference, \DateTimeImmutable $on): array
    {
        $certificate = $reference->certificateAt($on);
        $problems = [];
        if ($certificate === null) {
            $problems[] = 'It has no certificate.';
        } elseif (!$certificate->inForceAt($on)) {
            $problems[] = \sprintf('Its certificate was due on %s.', $certificate->due->format('j M Y'));
        }
        $recall = $reference->recalledAt($on);
        if ($recall !== null) {
            $problems[] = 'It is recalled: '.$recall->reason;
        }

        return $problems;
    }
}
