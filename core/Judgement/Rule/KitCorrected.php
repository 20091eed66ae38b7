<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\KitCorrection;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/**
 * What the kit says of the unit, or of a reference or its certificate that a check leans on, was typed in wrongly when it was used:
 * what is another in it now is told. What was put right before is no news.
 */
final readonly class KitCorrected implements KnownBeforehand
{
    public function id(): string
    {
        return 'unit.corrected';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $evidence = [];
        foreach ($case->timeline->instrument->upkeep->corrections as $correction) {
            if ($correction->at > $case->run->timing->start) {
                $evidence[self::seen($case->timeline->instrument->id, $correction)] = [$case->run->id];
            }
        }
        foreach ($case->checks() as $check) {
            foreach ($case->timeline->referencesOf($check) as $reference) {
                $certificate = $reference->certificateAt($check->at);
                $told = array_map(
                    static fn (KitCorrection $one): array => [$reference->id, $one],
                    $reference->upkeep->corrections,
                );
                if ($certificate?->correction !== null) {
                    $told[] = [\sprintf('Certificate %s of %s', $certificate->number, $reference->id), $certificate->correction];
                }
                foreach ($told as [$what, $correction]) {
                    if ($correction->at > $check->at) {
                        $seen = self::seen($what, $correction);
                        $evidence[$seen] = [...$evidence[$seen] ?? [$reference->id], $check->id];
                    }
                }
            }
        }
        foreach ($evidence as $seen => $of) {
            yield $setting->finding($seen, $of);
        }
    }

    private static function seen(string $what, KitCorrection $correction): string
    {
        return \sprintf(
            '%s was written otherwise until %s, corrected by %s: %s. %s',
            $what,
            $correction->at->format('j M Y'),
            $correction->by,
            $correction->words(),
            ucfirst($correction->reason),
        );
    }
}
