<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/**
 * A rule took out what looks like a check and is on no record: where that matters to a number or to a limit, a person says
 * what it was.
 */
final readonly class RemovedByRule implements Rule
{
    /** @param string $id of the family's rule that took it out; its limits say how near two numbers are alike */
    public function __construct(private string $id)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->results->worked()->alterations as $alteration) {
            if ($alteration->kind !== AlterationKind::Rule) {
                continue;
            }
            $matters = [];
            foreach ($case->answers as $result) {
                foreach ($result->footing->altered as $one) {
                    if ($one->by === $alteration && ($why = self::whyItMatters($result, $one, $setting)) !== null) {
                        $matters[] = $why;
                    }
                }
            }
            $words = AlterationMade::words($alteration);
            yield $matters === []
                ? $setting->finding($words, [$case->run->id], severity: Severity::Note)
                : $setting->finding(
                    $words.' '.implode(' ', \array_slice($matters, 0, 3)),
                    [$case->run->id],
                    cure: new Cure(
                        'a person\'s word whether it was a check: leave the stretch out, or leave it in, with the reason',
                        Cure::ANY_TIME,
                        CuredAt::Run,
                    ),
                )->naming(...array_merge(...array_map(static fn (Sentence $why): array => $why->figures, \array_slice($matters, 0, 3))));
        }
    }

    /** Null where the two numbers lie near each other and on one side of every limit. */
    private static function whyItMatters(Result $result, Altered $altered, RuleSetting $setting): ?Sentence
    {
        $stands = $result->reportedFigure();
        $otherwise = $altered->otherwise;
        if ($otherwise === null) {
            return null;
        }
        foreach ($result->outcomes as $outcome) {
            if ($outcome->limit->isCrossedBy($stands->low()->value) !== $outcome->limit->isCrossedBy($otherwise->low()->value)) {
                return Sentence::of(\sprintf(
                    '%s is %s %s without it and %s with it, on either side of %s.',
                    $result->title,
                    $stands->shownBeside($outcome->limit->threshold->value->value),
                    $stands->unit->value,
                    $otherwise->shownBeside($outcome->limit->threshold->value->value),
                    $outcome->limit->title,
                ), $stands, $otherwise);
            }
        }

        return self::near($stands, $otherwise, $result->beside->perDecade, $setting)
            ? null
            : Sentence::of(\sprintf(
                '%s is %s %s without it and %s with it.',
                $result->title,
                $stands->shown(),
                $stands->unit->value,
                $otherwise->shown(),
            ), $stands, $otherwise);
    }

    private static function near(Figure $stands, Figure $otherwise, ?float $perDecade, RuleSetting $setting): bool
    {
        $a = $stands->toFloat();
        $b = $otherwise->toFloat();
        if ($stands->unit->isLevel()) {
            return $a === $b || $setting->limit('level')->isKeptBy(round(abs($a - $b), 9));
        }
        if ($perDecade !== null) {
            return $a === $b || ($a > 0.0 && $b > 0.0 && $setting->limit('level')->isKeptBy(round($perDecade * abs(log10($a / $b)), 9)));
        }

        return abs($a - $b) <= 10 ** -$stands->decimals + 1e-12
            || ($a !== 0.0 && $setting->limit('share')->isKeptBy(100 * abs($a - $b) / abs($a)));
    }
}
