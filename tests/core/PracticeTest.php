<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Result;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is practice is judged as any other, and nothing real comes to lean on it. */
final class PracticeTest extends TestCase
{
    /** @return array<string, mixed> the scene with its unit for practice, and its first reading said to have come so */
    private static function record(bool $practice, string $how): array
    {
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.1'])->record;
        $checks = json_encode($record['checks'], \JSON_THROW_ON_ERROR);
        $record['checks'] = json_decode(str_replace('"typed"', '"'.$how.'"', $checks), true, 64, \JSON_THROW_ON_ERROR);
        \assert(\is_array($record['instruments']) && \is_array($record['instruments'][0]));
        $record['instruments'][0] += $practice ? ['practice' => true] : [];

        return $record;
    }

    public function testAPracticeUnitIsJudgedAsAnyOther(): void
    {
        $scene = new Scene();
        $scene->record = self::record(true, 'simulated');
        $real = new Scene();
        $real->record = self::record(false, 'from the instrument');
        self::assertTrue($scene->read()->timelines['D']->instrument->isPractice());
        $said = static fn (Scene $one): array => [
            $one->assess('r')->verdict->value,
            Scene::rules($one->assess('r')),
            array_map(static fn (Result $result): string => $result->reportedFigure()->shown(), $one->assess('r')->results),
        ];
        self::assertSame($said($real), $said($scene));
    }

    /** No reading of a stand-in is of a real unit, and no display says that it was printed. */
    #[TestWith([false, 'simulated', 'typed', '/checks/0/acoustic/asFound/0/provenance'])]
    #[TestWith([true, 'simulated', 'simulated', '/runs/0/totals/equivalentLevel/provenance'])]
    #[TestWith([false, 'typed', 'from the instrument', '/runs/0/totals/equivalentLevel/provenance'])]
    public function testNothingRealIsSaidToBePrintedByAStandIn(bool $practice, string $reading, string $total, string $path): void
    {
        $scene = new Scene();
        $scene->record = self::record($practice, $reading);
        $runs = json_encode($scene->record['runs'], \JSON_THROW_ON_ERROR);
        $scene->record['runs'] = json_decode(str_replace('"typed"', '"'.$total.'"', $runs), true, 64, \JSON_THROW_ON_ERROR);
        try {
            $scene->read();
            self::fail('It was taken.');
        } catch (InvalidRecord $problem) {
            self::assertSame($path, $problem->path);
        }
    }

    /** Nobody was exposed in practice: a sample of it is no part of the shift of a person who wore a real pump that day. */
    public function testPracticeIsNoPartOfARealShift(): void
    {
        $shift = static function (?bool $practice): array {
            $scene = (new AirScene())->check('k1', '07:45', ['2.0'])->run('r', '08:00', '12:00')
                ->check('k2', '12:10', ['2.0'])->found('r', '900');
            if ($practice !== null) {
                \assert(\is_array($scene->record['instruments']));
                $scene->record['instruments'][] = AirScene::pump('X', $practice ? ['practice' => true] : []);
                $scene->check('x1', '12:30', ['2.0'], more: ['instrument' => 'X'])
                    ->run('x', '13:00', '16:00', ['instrument' => 'X'])
                    ->check('x2', '16:10', ['2.0'], more: ['instrument' => 'X'])->found('x', '9000', blank: '');
            }
            $shown = [];
            foreach ($scene->assess('r')->results as $result) {
                $shown[$result->key] = $result->reportedFigure()->shown();
            }

            return $shown;
        };
        $alone = $shift(null);
        self::assertSame($alone, $shift(true));
        self::assertNotSame($alone, $shift(false), 'a real one is part of it');
    }
}
