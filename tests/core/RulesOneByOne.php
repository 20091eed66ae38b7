<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Severity;
use PHPUnit\Framework\Attributes\DataProvider;

/** Every rule finds on one side of its line only: the nearest neighbour of what it finds is clean. */
trait RulesOneByOne
{
    #[DataProvider('rules')]
    public function testFindsOnOneSideOfItsLineOnly(
        string $rule,
        Scene|AirScene|GasScene|ParticleScene|MeterScene $finds,
        Scene|AirScene|GasScene|ParticleScene|MeterScene $not,
        Severity $severity,
    ): void {
        $finding = self::of($finds->assess('r'), $rule);
        self::assertNotNull($finding, 'it finds something');
        self::assertSame($severity, $finding->severity);
        self::assertNotSame('', $finding->seen);
        self::assertNotSame([], $finding->evidence, 'a finding names its evidence');
        self::assertNull(self::of($not->assess('r'), $rule), 'its nearest neighbour is clean');
    }

    private static function of(Assessment $assessment, string $rule): ?Finding
    {
        foreach ($assessment->findings as $finding) {
            if ($finding->rule->id === $rule) {
                return $finding;
            }
        }

        return null;
    }
}
