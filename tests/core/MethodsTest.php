<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Flow\FlowEquation;
use Footnote\Core\Gas\GasEquation;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Particle\ParticleEquation;
use PHPUnit\Framework\TestCase;

/** The page of methods names every equation as the code does. */
final class MethodsTest extends TestCase
{
    public function testEveryEquationStandsInTheMethods(): void
    {
        $page = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/methods.md');
        foreach ([
            ...SharedEquation::cases(), ...NoiseEquation::cases(), ...FlowEquation::cases(),
            ...GasEquation::cases(), ...ParticleEquation::cases(),
        ] as $equation) {
            self::assertStringContainsString(
                \sprintf(
                    '| %s | %s | %s | %s |',
                    $equation->id(),
                    str_replace('|', '\|', $equation->expression()),
                    $equation->source(),
                    $equation->mark()->value,
                ),
                $page,
            );
        }
    }
}
