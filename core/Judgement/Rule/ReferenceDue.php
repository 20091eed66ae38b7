<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/** A laboratory was to see a reference again before the check, by the interval of its kind in the policy, or of its own. */
final readonly class ReferenceDue implements KnownBeforehand
{
    public function id(): string
    {
        return CertifiedTerm::RULE_OF_REFERENCES;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            foreach ($case->timeline->referencesOf($check) as $reference) {
                yield from self::of(
                    $reference,
                    CertifiedTerm::ofReference($reference, $case->heldTo->policy, $check->at),
                    $check,
                    $setting,
                );
            }
        }
    }

    /** @return iterable<Finding> */
    private static function of(Reference $reference, ?CertifiedTerm $term, Check $check, RuleSetting $setting): iterable
    {
        $routine = $term?->routine;
        if ($term === null || $routine === null) {
            return;
        }
        $at = $check->at;
        $setting = $setting->from($routine->source($setting->rule));
        $issued = \sprintf(
            'Certificate %s of %s is of %s',
            $term->certificate->number,
            $reference->id,
            $term->certificate->issued->format('j M Y'),
        );
        $made = \sprintf('the check was made on %s', $at->format('j M Y'));
        $byPolicy = $routine->untilByPolicy();
        if ($routine->isOverAt($at)) {
            $until = $routine->until()?->format('j M Y') ?? '';
            $seen = \sprintf('%s; a laboratory was to see it again by %s; %s.', $issued, $until, $made);
            yield $setting->finding($seen, [$check->id, $reference->id], $routine->limit());
        } elseif ($byPolicy !== null && $at > $byPolicy) {
            $seen = \sprintf(
                '%s, and counted by the policy until %s; %s. Its own interval of %s holds.',
                $issued,
                $byPolicy->format('j M Y'),
                $made,
                $routine->interval->words(),
            );
            yield $setting->finding($seen, [$check->id, $reference->id], $routine->limit(), severity: Severity::Note);
        }
    }
}
