<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** How far off the level a unit was when it was left, at each check that a segment of the run began with: fit to go out, or not. */
final readonly class LeftOff
{
    public const RULE = 'noise.left-off';

    /** Within this of another level of the calibrator it may have stood at that one, dB (own). */
    private const NEAR = '1.0';

    /**
     * @param list<OffsetKnot>      $knots    as left
     * @param array<array-key, string> $otherLevel by check: another level of its calibrator that the reading fits, in words
     */
    private function __construct(private array $knots, public array $otherLevel)
    {
    }

    public static function of(Bracket $bracket, Timeline $timeline, ?OffsetLine $line): self
    {
        $knots = array_values(array_filter($line->knots ?? [], static fn (OffsetKnot $knot): bool => $knot->asLeft));
        $other = [];
        foreach ($bracket->checks() as $check) {
            $level = self::otherLevelOf($check, $timeline);
            if ($level !== null) {
                $other[$check->id] = $level;
            }
        }

        return new self($knots, $other);
    }

    /** @return list<OffsetKnot> those left further off than a limit, the level doubted ones apart */
    public function beyond(Limit $limit): array
    {
        return array_values(
            array_filter(
                $this->knots,
                fn (OffsetKnot $knot): bool => !isset($this->otherLevel[$knot->check]) && !$limit->isKeptBySize($knot->offset->value),
            ),
        );
    }

    /** Whether a reading of a check lies within 1 dB of another level of the calibrator than the one written down, and not of that one. */
    private static function otherLevelOf(Check $check, Timeline $timeline): ?string
    {
        $content = $check->content;
        $certificate = $timeline->referenceOf($check)?->certificateAt($check->at);
        $near = Exact::of(self::NEAR);
        $response = new AcousticResponse();
        if (!$content instanceof AcousticCheck || $certificate === null) {
            return null;
        }
        foreach ([$content->tone->asLeft, $content->tone->asFound] as $readings) {
            $off = $readings === [] ? null : $response->deviation($check, $content, $readings, 'as read', $timeline)->value;
            if (!$off instanceof Exact || $off->absolute()->compareTo($near) <= 0) {
                continue;
            }
            foreach ($certificate->values as $value) {
                $tone = AcousticTone::named(AcousticTone::nameOf($value, $certificate));
                $expected = $response->expected($check, $content, $timeline->referenceOf($check), $tone)->value;
                $own = $response->expected($check, $content, $timeline->referenceOf($check))->value;
                if ($expected instanceof Exact
                    && $own instanceof Exact
                    && $own->plus($off)->minus($expected)->absolute()->compareTo($near) <= 0) {
                    return $tone->words();
                }
            }
        }

        return null;
    }
}
