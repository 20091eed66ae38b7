<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;

/** A kit out of a file: looked at line by line, nothing half; and several units like one. */
final class KitFromTableTest extends ApiTestCase
{
    /** Sixty units, three of which cannot be read: a day that is none, a number that is there twice, a microphone that nobody makes. */
    private static function file(): string
    {
        $lines = ["\xEF\xBB\xBFAsset;Model;S/N;Microphone;Certificate;Laboratory;Date issued;Valid until"];
        for ($i = 1; $i <= 60; ++$i) {
            $due = $i === 7 ? '31.6.2026' : '2026-06-01';
            $lines[] = \sprintf('D-%02d;"Wren; 2";S%04d;1/2 in;C-%02d;County;1.6.2025;%s', $i, $i, $i, $due);
        }
        $lines[20] = str_replace('D-20;', 'D-19;', $lines[20]);
        $lines[33] = str_replace('1/2 in', '3 in', $lines[33]);

        return implode("\r\n", [...$lines, '', '']);
    }

    /** @return list<list<string>> */
    private function rows(string $text): array
    {
        $this->browser->request('POST', '/api/kit/table/text', server: [
            'CONTENT_TYPE' => 'text/plain',
            'HTTP_X_REQUESTED_WITH' => 'footnote',
        ], content: $text);
        self::assertSame(200, $this->browser->getResponse()->getStatusCode());
        $rows = (new Answer((string) $this->browser->getResponse()->getContent()))->list('rows');

        /** @var list<list<string>> */
        return $rows;
    }

    public function testAKitOfSixtyWithThreeBadLines(): void
    {
        $this->import(new Scene());
        $this->signIn(Role::Technician);
        $asked = ['family' => 'noise-dosimeter', 'rows' => $this->rows(self::file())];
        $looked = $this->call('POST', '/api/kit/table/look', $asked);
        self::assertSame(
            ['id' => 0, 'model' => 1, 'serial' => 2, 'certificate' => 4, 'laboratory' => 5, 'issued' => 6, 'due' => 7, 'microphone' => 3],
            $looked->at('columns'),
        );
        self::assertCount(60, $looked->list('items'));
        $bad = [];
        foreach (array_keys($looked->list('items')) as $at) {
            if ($looked->list("items.$at.problems") !== []) {
                $bad[] = $looked->int("items.$at.line").' '.$looked->string("items.$at.problems.0.field");
            }
        }
        self::assertSame(['8 due', '21 id', '34 microphone'], $bad);
        self::assertSame('stands in line 20 already.', $looked->string('items.19.problems.0.problem'));

        // Nothing half: not while a bad line is not left out by name.
        $refused = $this->call('POST', '/api/kit/table', $asked, 422);
        self::assertStringContainsString('Lines 8, 21, 34 cannot be registered', $refused->string('detail'));
        $this->call('POST', '/api/kit/table', [...$asked, 'leaveOut' => [8, 21]], 422);
        $before = \count($this->call('GET', '/api/kit')->list('instruments'));
        $kept = $this->call('POST', '/api/kit/table', [...$asked, 'leaveOut' => [8, 21, 34]], 201);
        self::assertCount(57, $kept->list('registered'));
        $kit = $this->call('GET', '/api/kit');
        self::assertCount($before + 57, $kit->list('instruments'));
        $one = $this->call('GET', '/api/kit/instruments/D-01');
        self::assertSame(['Wren; 2', 'S0001'], [$one->string('model'), $one->string('traits.0.shown')]);
        self::assertSame('C-01', $one->string('certificates.0.number'));
        self::assertSame('2025-06-01', $one->string('certificates.0.issued'));
        $entries = $this->call('GET', '/api/journal')->list('entries');
        self::assertSame('T-1 registered several instruments, from a table of 60 lines.', array_column($entries, 'sentence')[0]);

        // The same again: they are there.
        $again = $this->call('POST', '/api/kit/table/look', $asked);
        self::assertStringContainsString('registered already', $again->string('items.0.problems.0.problem'));
    }

    public function testSeveralLikeOne(): void
    {
        $scene = new Scene();
        $this->import($scene);
        $this->signIn(Role::Technician);
        $rows = [['N-1', 'S1'], ['N-2', ''], ['N-1', 'S3']];
        $asked = ['like' => 'D', 'headless' => true, 'columns' => ['id' => 0, 'serial' => 1], 'rows' => $rows];
        $looked = $this->call('POST', '/api/kit/table/look', $asked);
        self::assertSame([], [...$looked->list('items.0.problems'), ...$looked->list('items.1.problems')]);
        self::assertSame('id', $looked->string('items.2.problems.0.field'));
        $this->call('POST', '/api/kit/table', [...$asked, 'leaveOut' => [3]], 201);
        $like = $this->call('GET', '/api/kit/instruments/D');
        $new = $this->call('GET', '/api/kit/instruments/N-1');
        self::assertSame('S1', $new->string('traits.0.shown'));
        self::assertSame($like->string('model'), $new->string('model'));
        self::assertSame($like->list('traits'), \array_slice($new->list('traits'), 1));
        self::assertSame([], $new->list('certificates'));
    }

    public function testWhatIsNoTableIsRefused(): void
    {
        $this->import(new Scene());
        $this->signIn(Role::Technician);
        self::assertSame([['a', 'b'], ['1', "two\nlines"]], $this->rows("a\tb\n1\t\"two\nlines\""));
        self::assertSame([['Größe'], ['½']], $this->rows(mb_convert_encoding("Größe\n½", 'Windows-1252', 'UTF-8')));
        self::assertSame([], $this->rows(''));
        $family = 'noise-dosimeter';
        $rows = [['Asset', 'Model'], ['N-1', 'M']];
        $this->call('POST', '/api/kit/table/look', ['family' => 'abacus', 'rows' => $rows], 422);
        $this->call('POST', '/api/kit/table/look', ['like' => 'none', 'rows' => $rows], 422);
        $this->call('POST', '/api/kit/table/look', ['family' => $family, 'rows' => $rows, 'columns' => ['colour' => 0]], 422);
        $this->call('POST', '/api/kit/table/look', ['family' => $family, 'rows' => array_fill(0, 501, ['N', 'M'])], 422);
        $this->call('POST', '/api/kit/table', ['family' => $family, 'rows' => [['Asset', 'Model']]], 422);
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/kit/table', ['family' => $family, 'rows' => $rows], 403);
    }

    /** References with the row of values that their certificates state; a steward alone registers them. */
    public function testReferencesOutOfATable(): void
    {
        $this->import(new Scene());
        $this->signIn(Role::Technician);
        $rows = $this->rows(implode("\n", [
            'Asset,Model,Cert no,Lab,Date issued,Valid until,Level,"Certified, dB","Uncertainty, dB",Frequency',
            'AC-1,Fork,F-1,County,2026-01-05,2027-01-05,114,"114,02",0.1,1000',
            'A,Fork,F-2,County,2026-01-05,2027-01-05,114,114.0,0.1,1000',
            'AC-3,Fork,F-3,County,2026-01-05,2027-01-05,,,,',
            'AC-4,Fork,F-4,County,2026-01-05,2027-01-05,114,loud,0.1,1000',
            'AC-5,Fork,,,,,,,,',
        ]));
        $asked = ['kind' => 'acoustic-calibrator', 'rows' => $rows];
        $this->call('POST', '/api/kit/table', [...$asked, 'leaveOut' => [3, 4, 5]], 403);
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/kit/table/look', ['kind' => 'crystal-ball', 'rows' => $rows], 422);
        $looked = $this->call('POST', '/api/kit/table/look', $asked);
        self::assertSame(
            ['id' => 0, 'model' => 1, 'certificate' => 2, 'laboratory' => 3, 'issued' => 4, 'due' => 5,
                'nominal' => 6, 'certified' => 7, 'uncertainty' => 8, 'frequency' => 9],
            $looked->at('columns'),
        );
        $problems = [];
        foreach (array_keys($looked->list('items')) as $at) {
            $problems[$looked->string("items.$at.id")] = array_column($looked->list("items.$at.problems"), 'field');
        }
        self::assertSame(['id'], $problems['A']);
        self::assertSame(['certified'], $problems['AC-3']);
        self::assertSame(['certified'], $problems['AC-4']);
        self::assertSame([], $problems['AC-1']);
        // Without a certificate one may be registered: no check leans on it before it has one.
        self::assertSame([], $problems['AC-5']);
        $this->call('POST', '/api/kit/table', $asked, 422);
        $registered = $this->call('POST', '/api/kit/table', [...$asked, 'leaveOut' => [3, 4, 5]], 201);
        self::assertSame(['AC-1', 'AC-5'], $registered->list('registered'));
        $kit = $this->call('GET', '/api/kit');
        $at = array_search('AC-1', array_column($kit->list('references'), 'id'), true);
        $row = "references.$at.certificates.0.values.0";
        self::assertSame(['114.02', '1000'], [$kit->string($row.'.certified'), $kit->string($row.'.frequency')]);
        self::assertStringContainsString('registered several references', $this->call('GET', '/api/journal')->text);
    }
}
