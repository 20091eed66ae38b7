<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Doctrine\DBAL\Connection;
use Footnote\App\Http\Problem;
use Footnote\App\Judgement\Logbook;
use Footnote\App\Judgement\ShippedPolicies;
use Footnote\Core\Record\RecordReader;

/** Writes a campaign as a record with its logs beside it, so that a sceptic can work it out again. */
final readonly class Exporter
{
    public function __construct(private Connection $connection, private Logbook $logbook)
    {
    }

    /**
     * @param callable(string, string): void $write takes a file's name and content, the record last
     *
     * @return int number of runs
     */
    public function export(string $campaign, callable $write): int
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM campaign WHERE id = ?', [$campaign]);
        if ($row === false) {
            throw Problem::missing('Campaign '.$campaign);
        }
        $runs = $this->logbook->runRecords('r.campaign_id = ?', [$campaign]);
        $instruments = array_values(array_unique(array_map(static fn (array $run): string => Logbook::text($run, 'instrument'), $runs)));
        $checks = $interventions = $references = [];
        foreach ($instruments as $instrument) {
            $asides = $this->logbook->pairs('SELECT s.check_id, s.record FROM check_set_aside s JOIN check_record c ON c.id = s.check_id WHERE c.instrument_id = ?', [$instrument]);
            foreach ($this->logbook->pairs('SELECT id, record FROM check_record WHERE instrument_id = ? ORDER BY checked_at', [$instrument]) as $id => $check) {
                $checks[] = isset($asides[$id]) ? [...$check, 'setAside' => $asides[$id]] : $check;
                $references[] = Logbook::text($check, 'reference');
            }
            array_push($interventions, ...array_values($this->logbook->pairs('SELECT id, record FROM intervention WHERE instrument_id = ? ORDER BY happened_at', [$instrument])));
        }
        foreach ($runs as $id => $run) {
            $log = $run['log'] ?? null;
            $stored = \is_array($log) ? $this->connection->fetchAssociative('SELECT name, original, format, first_interval FROM log_file WHERE id = ?', [$log['stored'] ?? '']) : false;
            unset($runs[$id]['log']);
            if ($stored !== false) {
                $name = 'logs/'.$id.'-'.preg_replace('/[^A-Za-z0-9._-]/', '_', Logbook::text($stored, 'name'));
                $write($name, Logbook::blob($stored['original']));
                $runs[$id]['log'] = ['file' => $name, 'format' => Logbook::json($stored, 'format'), 'start' => Logbook::text($stored, 'first_interval')];
            }
        }
        $yardsticks = Logbook::json($row, 'yardsticks');
        $record = [
            'format' => RecordReader::FORMAT,
            'site' => ['name' => Logbook::text($row, 'site'), 'timeZone' => Logbook::text($row, 'zone')],
            'policy' => json_decode($this->policy(Logbook::text($row, 'policy_key')), false, 32, \JSON_THROW_ON_ERROR),
            'campaign' => ['code' => $campaign, 'title' => Logbook::text($row, 'title'), ...$yardsticks],
            'instruments' => array_values(array_filter(array_map($this->logbook->instrumentRecord(...), $instruments), \is_array(...))),
            'references' => array_values($this->logbook->referenceRecords(array_values(array_unique(array_filter($references, static fn (string $id): bool => $id !== ''))))),
            'checks' => array_map(self::mapped(...), $checks),
            'interventions' => $interventions,
            'runs' => array_map(self::mapped(...), array_values($runs)),
        ];
        $write('record.json', json_encode($record, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n");

        return \count($runs);
    }

    private function policy(string $key): string
    {
        $row = $this->connection->fetchAssociative('SELECT policy_id, version, data FROM policy_version WHERE policy_key = ?', [$key]);
        if ($row === false) {
            throw Problem::missing('Policy '.$key);
        }

        return Logbook::text($row, 'version') === '1' && \in_array(Logbook::text($row, 'policy_id'), ShippedPolicies::ALL, true)
            ? json_encode(Logbook::text($row, 'policy_id'), \JSON_THROW_ON_ERROR)
            : Logbook::text($row, 'data');
    }

    /**
     * Objects that happen to be empty stay objects in JSON.
     *
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private static function mapped(array $record): array
    {
        foreach (['steps', 'totals'] as $name) {
            if (($record[$name] ?? null) === []) {
                unset($record[$name]);
            }
        }
        if (\is_array($record['totals'] ?? null) && ($record['totals']['doses'] ?? null) === []) {
            unset($record['totals']['doses']);
        }

        return $record;
    }
}
