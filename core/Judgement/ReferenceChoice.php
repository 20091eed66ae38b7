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

    /** The same with what a policy, or its own interval, has against it on a day. */
    public function heldTo(Policy $policy, \DateTimeImmutable $on): self
    {
        $term = CertifiedTerm::ofReference($this->reference, $policy, $on);
        if ($term === null || $term->routine?->isOverAt($on) !== true) {
            return $this;
        }
        $problem = \sprintf(
            'A laboratory was to see it again by %s, %s after its certificate.',
            $term->routine->until()?->format('j M Y') ?? '',
            $term->routine->interval->words(),
        );

        return new self($this->reference, $this->about, $this->settings, [...$this->problems, $problem]);
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
