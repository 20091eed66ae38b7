<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Console\AssessCommand;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Console\Tester\CommandTester;

/**
 * The demo made around another day is the same demo: moved by whole weeks in the wall time of the site, across summer time, leap days
 * and years, no number, verdict, statement or finding changes. That also holds the assessment to what it may lean on: never the date.
 */
#[Group('sqlite')]
final class DemoAroundTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-around-'.getmypid();
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -r '.escapeshellarg($this->folder));
    }

    public function testItIsTheSameDemoOnAnyDay(): void
    {
        // The day after its last one: nothing is moved.
        $unmoved = $this->around('2026-11-27', '2026-11-26');
        self::assertJsonStringEqualsJsonFile(\dirname(__DIR__, 2).'/demo/gas.json', (string) file_get_contents("$this->folder/gas.json"));
        foreach ([
            'a week after its last day, nothing yet' => ['2026-12-03', '2026-11-26'],
            'a week and a day' => ['2026-12-04', '2026-12-03'],
            'in summer time' => ['2027-07-15', '2027-07-08'],
            'on a leap day, years before' => ['2024-03-05', '2024-02-29'],
        ] as $which => [$day, $last]) {
            self::assertSame($unmoved, $this->around($day, $last), $which);
        }
    }

    /**
     * @param string $last the day of the last moment in it
     *
     * @return array<string, mixed> what it says
     */
    private function around(string $day, string $last): array
    {
        $make = escapeshellarg(\dirname(__DIR__, 2).'/demo/around.php');
        exec(\sprintf('%s %s %s %s', escapeshellarg(\PHP_BINARY), $make, escapeshellarg($this->folder), $day), $printed, $failed);
        self::assertSame(0, $failed);
        $moments = [];
        $said = [];
        foreach (['record', 'air', 'gas', 'particles', 'meters'] as $name) {
            preg_match_all('/"(\d{4}-\d\d-\d\d)T/', (string) file_get_contents("$this->folder/$name.json"), $found);
            $moments = [...$moments, ...$found[1]];
            $said[$name] = self::said("$this->folder/$name.json");
        }
        self::assertSame($last, $moments === [] ? '' : max($moments));

        return $said;
    }

    /** @return array<string, mixed> by run: verdict, what each result says, findings */
    private static function said(string $record): array
    {
        $tester = new CommandTester(AssessCommand::alone(\dirname(__DIR__, 2)));
        self::assertSame(0, $tester->execute(['file' => $record]), $tester->getDisplay());
        /**
         * @var array{
         *     assessments: list<array{run: string, verdict: string, results: list<array<string, mixed>>, findings: list<mixed>}>,
         * } $all
         */
        $all = json_decode($tester->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        $said = [];
        foreach ($all['assessments'] as $one) {
            $said[$one['run']] = [
                $one['verdict'],
                array_map(static fn (array $result): array => [
                    $result['key'],
                    $result['verdict'],
                    $result['value'],
                    \is_array($result['limits']) ? array_column($result['limits'], 'statement') : null,
                ], $one['results']),
                array_column($one['findings'], 'rule'),
            ];
        }

        return $said;
    }
}
