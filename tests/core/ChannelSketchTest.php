<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\LogsByChannel;
use PHPUnit\Framework\TestCase;

/** A log of several channels drawn small says of each stretch what lies in it. */
final class ChannelSketchTest extends TestCase
{
    public function testEachStretchIsLowestMeanAndHighest(): void
    {
        $ramp = [];
        for ($i = 0; $i < 240; ++$i) {
            $ramp[] = (string) (3 + $i % 7);
        }
        $scene = (new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '10:00', ['CO' => $ramp, 'PID' => GasScene::steady('20', 240)])
            ->check('k2', '12:10');
        $assessment = $scene->assess('r');
        $family = $assessment->family;
        self::assertInstanceOf(LogsByChannel::class, $family);
        self::assertSame(['CO', 'PID'], array_column($family->logged(), 'channel'));
        $series = $family->series('CO', $assessment->run);
        self::assertNotNull($series);
        $sketch = $series->sketch(20);
        $values = $series->corrected ?? $series->indicated;
        $per = (int) round($sketch->step / $series->step);
        self::assertLessThanOrEqual(20, \count($sketch->points));
        foreach ($sketch->points as $place => $point) {
            $stretch = array_filter(\array_slice($values, $place * $per, $per), \is_int(...));
            self::assertNotNull($point);
            self::assertNotSame([], $stretch);
            self::assertSame([min($stretch) / 1000, max($stretch) / 1000], [$point[0], $point[2]]);
            self::assertEqualsWithDelta(array_sum($stretch) / \count($stretch) / 1000, $point[1], 1e-9);
        }
        self::assertSame($series->unit, $sketch->unit);
    }
}
