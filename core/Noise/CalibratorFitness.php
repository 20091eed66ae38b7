<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;

/** Whether a calibrator can serve a unit on a day, said before it is used. */
final readonly class CalibratorFitness
{
    /**
     * @param list<array{nominal: string, certified: string, uncertainty: string|null, frequency: string|null}> $levels
     * @param list<string> $problems
     */
    private function __construct(public Reference $reference, public array $levels, public array $problems)
    {
    }

    public static function of(Reference $reference, Instrument $unit, \DateTimeImmutable $on): self
    {
        $certificate = $reference->certificateAt($on);
        $problems = [];
        if ($certificate === null) {
            $problems[] = 'It has no certificate.';
        } elseif (!$certificate->inForceAt($on)) {
            $problems[] = \sprintf('Its certificate was due on %s.', $certificate->due->format('j M Y'));
        }
        if ($unit->microphone !== null && !\in_array($unit->microphone, $reference->adapters, true)) {
            $problems[] = \sprintf('It has no adapter for %s.', $unit->microphone);
        }
        $recall = $reference->recalledAt($on);
        if ($recall !== null) {
            $problems[] = 'It is recalled: '.$recall->reason;
        }
        $levels = [];
        foreach ($certificate->values ?? [] as $value) {
            $nominal = $value->nominal->value;
            if (($unit->rangeHigh !== null && $nominal->compareTo($unit->rangeHigh->value) > 0) || ($unit->rangeLow !== null && $nominal->compareTo($unit->rangeLow->value) < 0)) {
                continue;
            }
            $levels[] = ['nominal' => $value->nominal->written, 'certified' => $value->certified->written, 'uncertainty' => $value->uncertainty?->written, 'frequency' => $value->frequency?->written];
        }
        if ($certificate !== null && $levels === []) {
            $problems[] = 'None of its levels lies in the range of the unit.';
        }

        return new self($reference, $levels, $problems);
    }
}
