<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Workings;
use Footnote\App\Record\Importer;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Nothing that is kept is stale. The evidence of each demo record comes in piece by piece, in any order, with changes of every kind
 * between; after each few, every assessment that counts is, byte for byte, what the evidence of that moment says, worked out anew
 * from all of it. `bin/drill stale CHANGES SEED` makes it longer.
 */
final class StaleTest extends ApiTestCase
{
    /** Changes between two looks: what one of them left stale is stale still when it is looked at. */
    private const BETWEEN = 2;

    private static string $folder = '';

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/footnote-stale-'.getmypid();
        mkdir(self::$folder);
        $make = \dirname(__DIR__, 2).'/demo/make-logs.php';
        exec(\sprintf('%s %s %s', \PHP_BINARY, escapeshellarg($make), escapeshellarg(self::$folder.'/logs')));
    }

    public static function tearDownAfterClass(): void
    {
        exec('rm -rf '.escapeshellarg(self::$folder));
    }

    /** @return iterable<string, array{string}> */
    public static function demos(): iterable
    {
        $files = glob(\dirname(__DIR__, 2).'/demo/*.json');
        foreach ($files === false ? [] : $files as $file) {
            yield basename($file, '.json') => [$file];
        }
    }

    #[DataProvider('demos')]
    public function testWhatIsKeptIsWhatTheEvidenceSays(string $file): void
    {
        $changes = Drill::asked('FOOTNOTE_DRILL', 6);
        mt_srand(Drill::asked('FOOTNOTE_SEED', 20261128) + crc32(basename($file)));
        $record = json_decode((string) file_get_contents($file), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($record);
        $pieces = [];
        foreach (['checks', 'interventions', 'runs', 'laboratory', 'blanks'] as $list) {
            foreach (\is_array($record[$list] ?? null) ? $record[$list] : [] as $piece) {
                $pieces[] = [$list, $piece];
            }
            if (isset($record[$list])) {
                $record[$list] = [];
            }
        }
        shuffle($pieces);
        self::assertTrue($this->takes($record));
        $looked = 0;
        $made = 0;
        for ($change = 1; $change <= $changes; ++$change) {
            // Most of it comes early, so that there is something to go stale.
            $some = $change === 1 ? intdiv(2 * \count($pieces), 3) : mt_rand(0, 1);
            for (; $some > 0 && $pieces !== []; --$some) {
                [$list, $piece] = array_pop($pieces);
                $this->takes([...$record, $list => [$piece]]);
            }
            if ($change === 1) {
                $this->workOut();
                $looked += $this->look();
            }
            $made += $this->changes() ? 1 : 0;
            if ($change % self::BETWEEN === 0) {
                $looked += $this->look();
                $this->workOut();
            }
        }

        self::assertGreaterThan(0, $made);
        self::assertGreaterThan(0, $looked, 'something was kept, and counted');
    }

    /** @param array<array-key, mixed> $record */
    private function takes(array $record): bool
    {
        $path = self::$folder.'/record.json';
        file_put_contents($path, json_encode($record, \JSON_THROW_ON_ERROR));
        try {
            $this->service(Importer::class)->import(RecordFile::open($path, \dirname(__DIR__, 2)), 'drill');
        } catch (InvalidRecord) {
            // What it names is not there yet.
            return false;
        }

        return true;
    }

    private function workOut(): void
    {
        foreach ($this->service(Connection::class)->fetchAllKeyValue('SELECT id, policy_key FROM campaign') as $campaign => $policy) {
            $runs = array_filter(
                $this->service(Connection::class)->fetchFirstColumn('SELECT id FROM run WHERE campaign_id = ?', [(string) $campaign]),
                \is_string(...),
            );
            $this->service(Workings::class)->workOut(array_values($runs), \is_string($policy) ? $policy : '');
        }
    }

    /** One change of any kind through the API; false where it was refused. */
    private function changes(): bool
    {
        $connection = $this->service(Connection::class);
        $one = static function (string $sql) use ($connection): string {
            $found = array_values(array_filter($connection->fetchFirstColumn($sql), \is_string(...)));

            return $found === [] ? 'none' : rawurlencode($found[mt_rand(0, \count($found) - 1)]);
        };
        $run = $one('SELECT id FROM run ORDER BY id');
        $start = $connection->fetchOne('SELECT started_at FROM run WHERE id = ?', [rawurldecode($run)]);
        $from = new \DateTimeImmutable(\is_string($start) ? $start : '2026-11-20 12:00:00', new \DateTimeZone('UTC'));
        $at = static fn (int $minutes): string => $from->modify(\sprintf('%+d minutes', $minutes))->format(\DATE_ATOM);
        $check = $one('SELECT id FROM check_record ORDER BY id');
        $campaign = $one('SELECT id FROM campaign ORDER BY id');
        $alike = $one('SELECT id FROM instrument ORDER BY id');
        $hows = ['typed', 'transcribed', 'estimated'];
        $corrects = static fn (array $what): array => [...$what, 'reason' => 'a slip', 'how' => $hows[mt_rand(0, 2)]];
        $kinds = [0, 0, 1, 1, 2, 3, 4, 4, 4, 5, 5, 5, 6, 6, 7, 7, 8, 8, 8, 9, 10, 10, 10, 11, 11, 12, 12, 12, 13];
        [$role, $path, $body] = match ($kinds[mt_rand(0, \count($kinds) - 1)]) {
            0 => [Role::Hygienist, "/api/bench/checks/$check/set-aside", ['reason' => 'a slip']],
            1 => [Role::Technician, '/api/bench/'.$one('SELECT id FROM instrument ORDER BY id').'/interventions', [
                'kind' => ['repaired', 'laboratory calibration', 'firmware changed'][mt_rand(0, 2)],
                'at' => $at(mt_rand(-3000, 3000)),
                'note' => 'n',
            ]],
            2 => [Role::Steward, '/api/kit/references/'.$one('SELECT id FROM reference ORDER BY id').'/recalls', [
                'since' => $at(mt_rand(-9000, 0)),
                'until' => $at(mt_rand(0, 9000)),
                'reason' => 'found wrong',
                'error' => mt_rand(0, 1) === 0 ? null : '0.4',
            ]],
            3 => [Role::Steward, '/api/kit/instruments/'.$one('SELECT id FROM instrument ORDER BY id').'/certificates', [
                'number' => 'N-'.mt_rand(1, 99999),
                'laboratory' => 'L',
                'issued' => substr($at(mt_rand(-400000, 0)), 0, 10),
                'due' => '2028-01-01',
            ]],
            4 => [Role::Technician, "/api/runs/$run/facts", ['pauses' => [['from' => $at(5), 'to' => $at(9)]], 'reason' => 'told']],
            5 => [Role::Hygienist, "/api/runs/$run/facts", [
                'exclusions' => [['from' => $at(10), 'to' => $at(mt_rand(12, 40)), 'reason' => 'a test']],
                'reason' => 'seen',
            ]],
            6 => [Role::Technician, "/api/runs/$run/facts", [
                'stop' => $at(mt_rand(2, 500)),
                'clockOffsetSeconds' => mt_rand(-90, 90),
                'reason' => 'noted',
            ]],
            7 => [Role::Technician, "/api/runs/$run/facts", [
                'remarks' => [['kind' => ['fell', 'covered', 'got wet'][mt_rand(0, 2)], 'note' => 'n']],
                'reason' => 'told',
            ]],
            8 => [Role::Hygienist, "/api/runs/$run/facts", [
                'logWord' => ['isOwn' => mt_rand(0, 1) === 1, 'reason' => 'r'],
                'reason' => 'r',
            ]],
            10 => [Role::Hygienist, "/api/checks/$check/correction", $corrects(['changes' => ['/at' => $at(mt_rand(-900, 900))]])],
            11 => [Role::Hygienist, "/api/checks/$check/correction", $corrects(['changes' => [], 'instrument' => rawurldecode($alike)])],
            12 => [Role::Technician, "/api/runs/$run/facts", [
                ...[
                    ['person' => 'W-0'.mt_rand(1, 9)],
                    ['start' => $at(mt_rand(-30, 30))],
                    ['instrument' => rawurldecode($alike)],
                ][mt_rand(0, 2)],
                'reason' => 'mixed up',
            ]],
            13 => [Role::Hygienist, "/api/runs/$run/withdrawal", ['reason' => 'begun in error']],
            default => [Role::Hygienist, "/api/campaigns/$campaign/yardsticks", $this->otherLimits(rawurldecode($campaign))],
        };
        // Ever so many people sign in here.
        $connection->executeStatement('DELETE FROM sign_in_attempt');
        $this->signIn($role);
        $server = ['HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => 'application/json'];
        $this->browser->request('POST', $path, server: $server, content: json_encode($body, \JSON_THROW_ON_ERROR));
        self::assertLessThan(500, $this->browser->getResponse()->getStatusCode(), $path);

        return $this->browser->getResponse()->getStatusCode() < 300;
    }

    /** @return array<string, mixed> the campaign's, one limit moved */
    private function otherLimits(string $campaign): array
    {
        $connection = $this->service(Connection::class);
        $json = $connection->fetchOne('SELECT yardsticks FROM campaign WHERE id = ?', [$campaign]);
        $version = $connection->fetchOne('SELECT version FROM campaign WHERE id = ?', [$campaign]);
        $yardsticks = \is_string($json) ? json_decode($json, true, 32, \JSON_THROW_ON_ERROR) : [];
        \assert(\is_array($yardsticks));
        foreach (\is_array($yardsticks['limits'] ?? null) ? $yardsticks['limits'] : [] as $place => $limit) {
            \assert(\is_array($yardsticks['limits']) && \is_array($limit));
            $yardsticks['limits'][$place] = [...$limit, 'value' => (string) mt_rand(1, 90)];
            break;
        }

        /** @var array<string, mixed> */
        return [...$yardsticks, 'version' => \is_numeric($version) ? (int) $version : 0];
    }

    /** @return int how many assessments counted, each found to be what the evidence says */
    private function look(): int
    {
        $connection = $this->service(Connection::class);
        $kept = $connection->fetchAllAssociative(
            'SELECT s.run_id, s.campaign_id, w.policy_key, w.digest FROM run_state s JOIN campaign c ON c.id = s.campaign_id'
                .' JOIN worked_run w ON '.Workings::CURRENT.' ORDER BY s.run_id',
        );
        // Marks are taken away meanwhile: nothing that was kept helps to say what the evidence says.
        $connection->beginTransaction();
        $connection->executeStatement('DELETE FROM check_mark');
        $said = [];
        foreach ($connection->fetchAllKeyValue('SELECT id, policy_key FROM campaign') as $campaign => $policy) {
            $said += $this->said((string) $campaign, \is_string($policy) ? $policy : '');
        }
        $connection->rollBack();
        foreach ($kept as $row) {
            self::assertSame(
                $said[(\is_string($row['run_id']) ? $row['run_id'] : '').' '.(\is_string($row['policy_key']) ? $row['policy_key'] : '')],
                $row['digest'],
                \sprintf('%s is stale', \is_string($row['run_id']) ? $row['run_id'] : ''),
            );
        }

        // The lists of units are kept as well.
        $connection->executeStatement('DELETE FROM sign_in_attempt');
        $this->signIn(Role::Reader);
        foreach (['/api/bench', '/api/day', '/api/kit'] as $list) {
            $listed = $this->whole($list);
            $connection->beginTransaction();
            $connection->executeStatement('DELETE FROM unit_line');
            self::assertSame($this->whole($list), $listed, $list);
            $connection->rollBack();
        }

        return \count($kept);
    }

    /** A list is worked out for a second at a time, and tells of the units that wait nothing yet: it is asked until none does. */
    private function whole(string $list): string
    {
        $before = '';
        for ($try = 0; $try < 60; ++$try) {
            $listed = $this->call('GET', $list)->text;
            if (!str_contains($listed, '"fit":null') || $listed === $before) {
                return $listed;
            }
            $before = $listed;
        }

        return $before;
    }

    /** @return array<string, string> the digest of what is said of each run, by run and policy */
    private function said(string $campaign, string $policy): array
    {
        $logbook = $this->service(Logbook::class);
        $assessor = new ShiftAssessor(
            $this->service(Assessor::class),
            $this->service(Policies::class)->get($policy),
            $this->service(Judging::class)->yardsticks($campaign),
        );
        $runs = [];
        foreach ($logbook->instruments() as $unit) {
            $timeline = $logbook->timeline($unit);
            foreach ($timeline->runs() as $run) {
                $runs[] = [$run, $timeline];
            }
        }
        $said = [];
        foreach ($runs as [$run, $timeline]) {
            $body = (new AssessmentWriter())->write($assessor->assess($run, $timeline, $runs));
            $json = json_encode($body, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
            $said[$run->id.' '.$policy] = hash('sha256', $json);
        }

        return $said;
    }
}
