<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\Tests\Core\AirScene;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

/** What laboratories send, taken in on the console, and campaigns worked out there. */
final class LaboratoryConsoleTest extends ApiTestCase
{
    /** @param array<string, string|true> $input */
    private function command(string $name, array $input): CommandTester
    {
        $tester = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find($name));
        $tester->execute($input);

        return $tester;
    }

    private function reports(): int
    {
        $count = $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM laboratory_report');

        return \is_int($count) ? $count : -1;
    }

    public function testAReportIsTakenInWholeOrNotAtAll(): void
    {
        $this->importRecord((new AirScene())->limit('twa:wood', '1', 'mg/m³')->record);
        $this->signIn(Role::Steward);
        $before = $this->reports();
        $file = (string) tempnam(sys_get_temp_dir(), 'report');
        $head = [
            'file' => $file,
            '--number' => '4712',
            '--laboratory' => 'Sallow Laboratory',
            '--received' => '2026-03-20',
            '--blank-corrected' => 'no',
            '--desorption-corrected' => 'no',
        ];

        // A wrong line keeps the whole report out, and is named.
        file_put_contents($file, "Sample,Substance,Mass µg,LOQ µg\nX-1,Wood dust,12,50\nX-2,Wood dust,1e999x,50\n");
        $asked = $this->command('footnote:laboratory', $head);
        self::assertSame(2, $asked->getStatusCode(), 'a guess is looked at before anything is kept');
        self::assertStringContainsString('column 3: mass, or mass of the front section, µg', $asked->getDisplay());
        self::assertSame($before, $this->reports());
        $head['--as-guessed'] = true;
        $refused = $this->command('footnote:laboratory', $head);
        self::assertSame(2, $refused->getStatusCode());
        self::assertStringContainsString('3', $refused->getDisplay());
        self::assertSame($before, $this->reports());

        file_put_contents($file, "Sample,Substance,Mass µg,LOQ µg\nX-1,Wood dust,12,50\nX-2,Wood dust,n.d.,50\n");
        $kept = $this->command('footnote:laboratory', $head);
        self::assertSame(0, $kept->getStatusCode(), $kept->getDisplay());
        self::assertStringContainsString('2 rows kept', $kept->getDisplay());
        self::assertStringContainsString('Neither sample nor blank: X-1, X-2.', $kept->getDisplay());
        self::assertSame($before + 1, $this->reports());

        // What is missing or cannot be read is one sentence.
        foreach ([
            ['file' => $file.'.none'],
            ['--received' => 'soon'],
            ['--mapping' => '{'],
            ['--blank-corrected' => 'perhaps'],
        ] as $wrong) {
            self::assertSame(2, $this->command('footnote:laboratory', [...$head, ...$wrong])->getStatusCode());
        }
        self::assertSame($before + 1, $this->reports());
        unlink($file);
    }

    public function testACampaignIsWorkedOutAfresh(): void
    {
        $this->importRecord(
            (new AirScene())->check(
                'k1',
                '07:30',
                ['2.000', '2.000', '2.000'],
            )->run('r1', '08:00', '16:00')->check('k2', '16:30', ['2.000', '2.000', '2.000'])->record,
        );
        self::assertStringContainsString('1 runs worked out', $this->command('footnote:work-out', ['campaign' => 'c'])->getDisplay());
        self::assertSame(1, $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM worked_run'));
        self::assertSame(2, $this->command('footnote:work-out', ['campaign' => 'nowhere'])->getStatusCode());
    }
}
