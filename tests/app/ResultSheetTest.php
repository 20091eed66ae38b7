<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Report\Column;
use Footnote\App\Report\ResultTable;
use Footnote\App\Storage\Cells;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\PrintedByOthers;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\TestWith;

/** Results as a table: each line says what its own result says, and loads without a touch where people load it. */
final class ResultSheetTest extends ApiTestCase
{
    use PrintedByOthers;

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/sheet-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        foreach (new \FilesystemIterator($this->folder) as $file) {
            unlink((string) $file);
        }
        rmdir($this->folder);
        parent::tearDown();
    }

    /** Four gases and a vapour over a day; the vapour channel was not read after the run. */
    private function day(): void
    {
        $scene = (new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '10:00', [], [
                ['channel' => 'CO', 'mean' => '3', 'peak' => '5'],
                ['channel' => 'PID', 'mean' => '20', 'peak' => '30'],
            ])
            ->check('k2', '12:10', ['PID' => '', 'O2' => '', 'LEL' => '', 'H2S' => '']);
        $runs = $scene->record['runs'];
        \assert(\is_array($runs) && \is_array($runs[0]));
        $runs[0]['task'] = "=HYPERLINK(\"x\")\nsoldering; \"Öl\", 3,5";
        $scene->record['runs'] = $runs;
        $this->importRecord($scene->record);
        $this->signIn(Role::Hygienist);
    }

    private function file(string $query = ''): string
    {
        $path = $this->folder.'/results.csv';
        file_put_contents($path, $this->call('GET', '/api/results.csv'.$query)->text);

        return $path;
    }

    /** @return list<array<string, string>> by column */
    private function lines(string $query = '', string $delimiter = ','): array
    {
        $file = fopen($this->file($query), 'r');
        self::assertIsResource($file);
        $names = fgetcsv($file, null, $delimiter, '"', '');
        self::assertSame(array_map(static fn (Column $one): string => $one->name, ResultTable::columns()), $names);
        $lines = [];
        while (($cells = fgetcsv($file, null, $delimiter, '"', '')) !== false) {
            $lines[] = array_combine($names, array_map(strval(...), $cells));
        }
        fclose($file);

        return $lines;
    }

    /** Of a unit with several channels each result has the verdict, drift and checks of its own channel, and all results are there. */
    public function testEachLineIsItsOwnResult(): void
    {
        $this->day();
        $page = $this->call('GET', '/api/results/r');
        $body = json_decode(json_encode($page->at('assessment'), \JSON_THROW_ON_ERROR), true);
        \assert(\is_array($body));
        $figures = array_column(Cells::rows($body, 'figures'), 'value', 'id');
        $lines = $this->lines();
        self::assertSame(array_column(Cells::rows($body, 'results'), 'key'), array_column($lines, 'result'));
        self::assertSame(['CO', 'PID'], array_values(array_unique(array_column($lines, 'channel'))));
        foreach (Cells::rows($body, 'results') as $place => $result) {
            $line = $lines[$place];
            self::assertSame($result['verdict'], $line['verdict'], $line['result']);
            foreach (['value' => 'value', 'pre' => 'pre', 'post' => 'post', 'between' => 'interpolated'] as $name => $column) {
                $id = \is_array($result[$name]) ? $result[$name]['figure'] ?? '' : '';
                $figure = \is_string($id) ? $figures[$id] ?? '' : '';
                self::assertSame($figure, $line[$column], $name.' of '.$line['result']);
            }
            self::assertSame($line['channel'] === 'CO' ? 'k1 k2' : 'k1', $line['checks']);
            self::assertSame($page->string('assessment.policy.id').' '.$page->int('assessment.policy.version'), $line['policy']);
        }
        $verdicts = array_column($lines, 'verdict', 'channel');
        self::assertSame(['CO' => 'valid', 'PID' => 'open'], $verdicts, 'none has the verdict of another channel');
        // What is found on one channel weighs on none of the other.
        $of = array_column($lines, 'findings', 'channel');
        self::assertStringContainsString('void, bracket.', $of['PID']);
        self::assertStringNotContainsString('void, bracket.', $of['CO']);
        self::assertStringContainsString('MIX', $lines[0]['references']);

        // A decision stands for what it covered, and for nothing else.
        $signed = $this->call('POST', '/api/results/r/decision', ['kind' => 'sign', 'digest' => $page->string('digest')], 201);
        $lines = $this->lines();
        self::assertSame(['CO' => 'valid', 'PID' => ''], array_column($lines, 'decided', 'channel'));
        self::assertSame(['CO' => 'this', 'PID' => ''], array_column($lines, 'decided_on', 'channel'));
        self::assertNotSame('', $signed->string('digest'));
        $this->call('POST', '/api/runs/r/facts', ['pauses' => [], 'place' => 'yard'], 201);
        self::assertSame('yard', $this->lines()[0]['place']);
        self::assertSame([], $this->lines('?verdict=void'));
        $verdict = $this->call('GET', '/api/results')->string('rows.0.verdict');
        self::assertCount(\count($lines), $this->lines('?verdict='.$verdict));
    }

    public function testAfterNewEvidenceADecisionIsOfOther(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.1']);
        $this->import($scene);
        $this->signIn(Role::Hygienist);
        $digest = $this->call('GET', '/api/results/r')->string('digest');
        $this->call('POST', '/api/results/r/decision', ['kind' => 'sign', 'digest' => $digest], 201);
        self::assertSame('this', $this->lines()[0]['decided_on']);
        $this->call('POST', '/api/bench/checks/k2/set-aside', ['reason' => 'the wrong adapter'], 204);
        self::assertSame('other evidence', $this->lines()[0]['decided_on']);
    }

    /** A run without any number has a line, with what was found and what a person decided of it. */
    public function testARunWithoutResultsHasALine(): void
    {
        $this->importRecord((new GasScene())->check('k1', '07:45')->run('r', '08:00', '10:00', [], [])->check('k2', '12:10')->record);
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r');
        self::assertSame([], $page->list('assessment.results'));
        $this->call('POST', '/api/results/r/decision', [
            'kind' => 'void', 'digest' => $page->string('digest'), 'reason' => 'nothing was logged',
        ], 201);
        $lines = $this->lines();
        self::assertCount(1, $lines);
        self::assertSame(['', 'void', 'nothing was logged', 'this'], [
            $lines[0]['result'], $lines[0]['decided'], $lines[0]['decided_reason'], $lines[0]['decided_on'],
        ]);
    }

    /** R reads numbers as numbers, moments as moments, and a text with everything in it as that text. */
    #[TestWith(['', 'read.csv'])]
    #[TestWith(['?decimal=comma', 'read.csv2'])]
    public function testRReadsIt(string $query, string $reader): void
    {
        $this->day();
        $path = $this->file($query);
        $number = array_values(array_filter(ResultTable::columns(), static fn (Column $one): bool => $one->type === Column::NUMBER));
        $names = implode(',', array_map(static fn (Column $one): string => "'".$one->name."'", $number));
        $printed = $this->printed(['Rscript', '--vanilla', '-e', <<<R
            t <- $reader('$path', encoding = 'UTF-8')
            cat(nrow(t), ncol(t), all(sapply(t[c($names)], function(x) is.numeric(x) || all(is.na(x)))), '\n')
            cat(format(t\$value[t\$channel == 'PID'][1], digits = 15), '\n')
            cat(format(as.POSIXct(sub(':(..)\$', '\\\\1', t\$started[1]), format = '%Y-%m-%dT%H:%M:%S%z'), tz = 'UTC', '%H:%M'), '\n')
            cat(t\$task[1])
            R]);
        $lines = $this->lines($query, $query === '' ? ',' : ';');
        [$shape, $value, $started, $task] = explode("\n", $printed, 4);
        self::assertSame(\sprintf('%d %d TRUE', \count($lines), \count(ResultTable::columns())), trim($shape));
        $written = array_values(array_filter($lines, static fn (array $line): bool => $line['channel'] === 'PID'))[0]['value'];
        self::assertEqualsWithDelta((float) str_replace(',', '.', $written), (float) $value, 1e-9);
        self::assertSame('08:00', trim($started));
        self::assertSame("'=HYPERLINK(\"x\")\nsoldering; \"Öl\", 3,5", $task);
    }

    /** A spreadsheet program takes numbers for numbers and no text for a formula. */
    public function testASpreadsheetReadsIt(): void
    {
        $this->day();
        $path = $this->file();
        $sheet = $this->folder.'/results.xml';
        $this->printed(['ssconvert', '--import-encoding=UTF-8', '--export-type=Gnumeric_XmlIO:sax:0', $path, $sheet]);
        $xml = new \DOMDocument();
        self::assertTrue($xml->load($sheet));
        /** @var array<int, array<int, array{string, string}>> $cells by row and column */
        $cells = [];
        foreach ($xml->getElementsByTagNameNS('http://www.gnumeric.org/v10.dtd', 'Cell') as $cell) {
            [$row, $column] = [(int) $cell->getAttribute('Row'), (int) $cell->getAttribute('Col')];
            $cells[$row][$column] = [$cell->getAttribute('ValueType'), $cell->textContent];
        }
        $lines = $this->lines();
        foreach (ResultTable::columns() as $place => $column) {
            self::assertSame($column->name, $cells[0][$place][1] ?? null);
            foreach ($lines as $row => $line) {
                [$type, $text] = $cells[$row + 1][$place] ?? ['', ''];
                // A formula would have no type of value.
                self::assertNotSame('', $line[$column->name] === '' ? '-' : $type, $column->name.' is there');
                if ($column->type === Column::NUMBER && $line[$column->name] !== '') {
                    // 40: a floating number, as this program writes it.
                    self::assertSame('40', $type, $column->name);
                    self::assertEqualsWithDelta((float) $line[$column->name], (float) $text, 1e-9);
                }
            }
        }
        $task = (int) array_search('task', array_column(ResultTable::columns(), 'name'), true);
        self::assertSame(['60', ltrim($lines[0]['task'], "'")], $cells[1][$task], 'the apostrophe says that it is text');
    }

    public function testEveryColumnIsDescribed(): void
    {
        self::assertDescribed(ResultTable::columns());
    }
}
