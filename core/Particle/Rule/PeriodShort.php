<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleProcedures;
use Footnote\Core\Particle\ParticleResults;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;

/** The sample period was made shorter for the spheres and not put back. */
final readonly class PeriodShort extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.period';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $was = $content->written->decimal('periodWas');
        $now = $content->written->decimal('periodNow');
        if ($now !== null && $check->step(ParticleProcedures::PERIOD_BACK) !== StepState::Done) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s the sample period was set from %s to %s s, and nobody confirmed that it was put back.',
                    $case->hour($check->at),
                    $was->written ?? '?',
                    $now->written,
                ),
                [$check->id],
            )->naming(self::period($check, $was, 'sample period before'), self::period($check, $now, 'sample period now'));
        }
    }

    private static function period(Check $check, ?Decimal $seconds, string $meaning): ?Figure
    {
        return $seconds === null
            ? null
            : Figure::read('t', $meaning, $seconds->value, CommonUnit::Second, $check->origin('as written'), $seconds->decimals());
    }
}
