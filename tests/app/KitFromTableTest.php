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
}
