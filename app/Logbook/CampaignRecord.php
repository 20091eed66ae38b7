<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\RecordSchema;

/** Writes a campaign as a record with its logs beside it, so that a sceptic can work it out again. */
final readonly class CampaignRecord
{
    /** Of the record among the files. */
    public const NAME = 'record.json';

    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private CheckVersions $versions,
        private KeptFiles $files,
        private PracticeUnits $practice,
        private DecisionRecords $decisions,
    ) {
    }

    /**
     * @param callable(string, string): void $write takes a file's name and content, the record last
     *
     * @return array<string, mixed> the record
     */
    public function export(string $campaign, callable $write, RecordScope $scope = new RecordScope()): array
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM campaign WHERE id = ?', [$campaign]);
        if ($row === false) {
            throw Problem::missing('Campaign '.$campaign);
        }
        $left = $scope->practice ? [] : $this->practice->ids();
        $runs = array_filter(
            $this->logbook->runRecords('r.campaign_id = ?', [$campaign]),
            static fn (array $run): bool => !\in_array(Cells::text($run, 'instrument'), $left, true) && $scope->takes($run),
        );
        $instruments = array_values(array_unique(array_map(static fn (array $run): string => Cells::text($run, 'instrument'), $runs)));
        $instruments = $this->withThoseMovedBetween($instruments);
        $checks = $interventions = $references = [];
        foreach ($instruments as $instrument) {
            $asides = $this->logbook->pairs(
                'SELECT s.check_id, s.record FROM check_set_aside s JOIN check_record c ON c.id = s.check_id WHERE c.instrument_id = ?',
                [$instrument],
            );
            foreach ($this->logbook->pairs(
                'SELECT id, record FROM check_record WHERE instrument_id = ? ORDER BY checked_at',
                [$instrument],
            ) as $id => $check) {
                $checks[] = isset($asides[$id]) ? [...$check, 'setAside' => $asides[$id]] : $check;
            }
            array_push(
                $references,
                ...array_filter(
                    $this->connection->fetchFirstColumn(
                        'SELECT DISTINCT l.reference_id FROM check_leaning l JOIN check_record c ON c.id = l.check_id '
                            .'WHERE c.instrument_id = ?',
                        [$instrument],
                    ),
                    \is_string(...),
                ),
            );
            array_push(
                $interventions,
                ...array_values(
                    $this->logbook->pairs(
                        'SELECT id, record FROM intervention WHERE instrument_id = ? ORDER BY happened_at',
                        [$instrument],
                    ),
                ),
            );
        }
        foreach ($runs as $id => $run) {
            $log = $run['log'] ?? null;
            $stored = \is_array($log)
                ? $this->connection->fetchAssociative(
                    'SELECT name, original, sha256, format, first_interval FROM log_file WHERE id = ?',
                    [$log['stored'] ?? ''],
                )
                : false;
            unset($runs[$id]['log'], $runs[$id]['campaign']);
            if ($stored !== false) {
                $name = 'logs/'.$id.'-'.preg_replace('/[^A-Za-z0-9._-]/', '_', Cells::text($stored, 'name'));
                $write($name, KeptBytes::of($stored['original'], Cells::text($stored, 'sha256'), 'The log of run '.$id));
                $runs[$id]['log'] = [
                    'file' => $name,
                    'format' => Cells::json($stored, 'format'),
                    'start' => Cells::text($stored, 'first_interval'),
                ];
            }
        }
        $references = array_values(array_unique($references));
        $ids = array_map(static fn (array $run): string => Cells::text($run, 'id'), array_values($runs));
        $files = $scope->files ? $this->files($write, $checks, $ids, $references, $instruments) : [];
        // A check names only what lies beside the record.
        $checks = $scope->files ? $checks : array_map(static fn (array $check): array => array_diff_key($check, ['files' => 1]), $checks);
        $decisions = $this->decisions->of($ids);
        $yardsticks = Cells::json($row, 'yardsticks');
        $record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => Cells::text($row, 'site'), 'timeZone' => Cells::text($row, 'zone')],
            'policy' => json_decode($this->policy(Cells::text($row, 'policy_key')), false, 32, \JSON_THROW_ON_ERROR),
            'campaign' => ['code' => $campaign, 'title' => Cells::text($row, 'title'), ...$yardsticks],
            'instruments' => array_values(array_filter(array_map($this->logbook->instrumentRecord(...), $instruments), \is_array(...))),
            'references' => array_values($this->logbook->referenceRecords($references)),
            'checks' => array_map(self::mapped(...), $checks),
            'interventions' => $interventions,
            ...$this->library(),
            ...$this->laboratory($campaign, $ids),
            'runs' => array_map(self::mapped(...), array_values($runs)),
            ...array_filter(['files' => $files, 'decisions' => $decisions]),
        ];
        $write(
            self::NAME,
            json_encode($record, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n",
        );

        return $record;
    }

    /**
     * @param callable(string, string): void $write
     * @param list<array<string, mixed>>     $checks
     * @param list<string>                   $runs
     * @param list<string>                   $references
     * @param list<string>                   $instruments
     *
     * @return list<array<string, mixed>> the photos and documents of all that, each written beside the record
     */
    private function files(callable $write, array $checks, array $runs, array $references, array $instruments): array
    {
        $things = $named = [];
        foreach ($checks as $check) {
            $things['check '.Cells::text($check, 'id')] = true;
            foreach (\is_array($check['files'] ?? null) ? $check['files'] : [] as $file) {
                $named += \is_string($file) ? ['='.$file => true] : [];
            }
        }
        foreach (['run' => $runs, 'reference' => $references, 'instrument' => $instruments] as $kind => $ids) {
            foreach ($ids as $id) {
                $things[$kind.' '.$id] = true;
            }
        }
        $files = [];
        foreach ($this->files->ofAll($things, $named) as $id) {
            [$told, $bytes] = $this->files->file($id);
            $name = 'files/'.$id.'-'.preg_replace('/[^A-Za-z0-9._-]/', '_', Cells::text($told, 'name'));
            $write($name, $bytes);
            $files[] = [...$told, 'file' => $name];
        }

        return $files;
    }

    /**
     * With the units that checks of these were moved from or to: either says what stands in the place of what.
     *
     * @param list<string> $instruments
     *
     * @return list<string>
     */
    private function withThoseMovedBetween(array $instruments): array
    {
        for ($place = 0; isset($instruments[$place]); ++$place) {
            foreach ($this->versions->moved($instruments[$place]) as $other) {
                if (!\in_array($other, $instruments, true)) {
                    $instruments[] = $other;
                }
            }
        }

        return $instruments;
    }

    /** @return array{library?: array<string, list<array<string, mixed>>>} every entry of the libraries */
    private function library(): array
    {
        $library = [];
        foreach ($this->connection->fetchAllAssociative('SELECT shelf, record FROM library_entry ORDER BY shelf, code') as $row) {
            $library[Cells::text($row, 'shelf')][] = Cells::json($row, 'record');
        }

        return $library === [] ? [] : ['library' => $library];
    }

    /**
     * @param list<string> $runs that are written
     *
     * @return array<string, list<array<string, mixed>>> blanks of the campaign, and every report with rows on these and on the runs' media
     */
    private function laboratory(string $campaign, array $runs): array
    {
        $media = 'SELECT run_id, medium FROM run_state WHERE campaign_id = ? AND medium IS NOT NULL'
            ." UNION ALL SELECT '' AS run_id, medium FROM blank WHERE campaign_id = ?";
        $wanted = array_fill_keys(array_map(static fn (string $run): string => '='.$run, ['', ...$runs]), true);
        $own = [];
        foreach ($this->connection->fetchAllAssociative($media, [$campaign, $campaign]) as $row) {
            $own += isset($wanted['='.Cells::text($row, 'run_id')]) ? ['='.Cells::text($row, 'medium') => true] : [];
        }
        $reports = [];
        $rows = [];
        $on = 'SELECT w.report_id, w.medium, w.record, r.record AS report FROM laboratory_row w '
            ."JOIN laboratory_report r ON r.id = w.report_id WHERE w.medium IN (SELECT m.medium FROM ($media) m) ORDER BY w.id";
        foreach ($this->connection->fetchAllAssociative($on, [$campaign, $campaign]) as $row) {
            if (isset($own['='.Cells::text($row, 'medium')])) {
                $id = Cells::text($row, 'report_id');
                $reports[$id] ??= $this->reportWith($id, Cells::json($row, 'report'));
                $rows[$id][] = Cells::json($row, 'record');
            }
        }
        $blanks = array_map(
            static fn (array $row): array => Cells::json($row, 'record'),
            $this->connection->fetchAllAssociative('SELECT record FROM blank WHERE campaign_id = ? ORDER BY medium', [$campaign]),
        );
        $laboratory = array_map(
            static fn (int|string $id, array $report): array => [...$report, 'rows' => $rows[$id] ?? []],
            array_keys($reports),
            array_values($reports),
        );

        return array_filter(['blanks' => $blanks, 'laboratory' => $laboratory], static fn (array $list): bool => $list !== []);
    }

    /**
     * A report with what the laboratory said of it since.
     *
     * @param array<string, mixed> $report
     *
     * @return array<string, mixed>
     */
    private function reportWith(string $id, array $report): array
    {
        foreach ($this->connection->fetchAllAssociative(
            'SELECT record FROM laboratory_word WHERE report_id = ? ORDER BY id',
            [$id],
        ) as $row) {
            $report = [...$report, ...Cells::json($row, 'record')];
        }

        return $report;
    }

    private function policy(string $key): string
    {
        $row = $this->connection->fetchAssociative('SELECT policy_id, version, data FROM policy_version WHERE policy_key = ?', [$key]);
        if ($row === false) {
            throw Problem::missing('Policy '.$key);
        }

        return Cells::text($row, 'version') === '1' && \in_array(Cells::text($row, 'policy_id'), ShippedPolicies::ALL, true)
            ? json_encode(Cells::text($row, 'policy_id'), \JSON_THROW_ON_ERROR)
            : Cells::text($row, 'data');
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
