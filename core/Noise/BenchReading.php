<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** What a check shows while it is still being walked: deviations, and drift against the state the unit was last left in. */
final readonly class BenchReading
{
    private function __construct(
        public ?Figure $expected,
        public ?Figure $asFound,
        public ?Figure $asLeft,
        public ?Figure $drift,
        public ?bool $driftKept,
        public string $driftLimit,
        public ?string $last,
    ) {
    }

    public static function of(Check $check, Timeline $timeline, Policy $policy): self
    {
        $response = new AcousticResponse();
        $content = $check->content;
        $found = $response->asFound($check, $timeline)?->offset;
        $left = $content instanceof AcousticCheck && $content->asLeft !== [] ? $response->asLeft($check, $timeline)?->offset : null;
        $previous = null;
        $usability = new AcousticUsability();
        foreach ($timeline->checks as $earlier) {
            if ($earlier->at < $check->at && $earlier->id !== $check->id && ($usability->whyUnusable($earlier, $timeline) === [] || $earlier->content->wasAdjusted())) {
                $previous = $earlier;
            }
        }
        $before = $previous === null ? null : $response->asLeft($previous, $timeline)?->offset;
        $drift = $found !== null && $before !== null && $found->value instanceof Exact && $before->value instanceof Exact
            ? Figure::derived('d', 'drift since '.$previous->id, $found->value->minus($before->value), Unit::Decibel, NoiseEquation::Deviation, [$found, $before], 2)
            : null;
        $limit = $policy->limit('noise.drift', 'drift');

        return new self(
            $content instanceof AcousticCheck ? $response->expected($check, $content, $timeline->referenceOf($check)) : null,
            $found,
            $left,
            $drift,
            $drift !== null && $limit !== null && $drift->value instanceof Exact ? $limit->isKeptBy($drift->value->absolute()) : null,
            $limit?->words() ?? '',
            $previous?->id,
        );
    }
}
