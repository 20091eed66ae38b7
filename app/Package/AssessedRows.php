<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\CsvSheet;
use Footnote\App\Storage\Cells;

/**
 * What a run was assessed to be, as lines of the tables that tell of it.
 *
 * @phpstan-type Row array<string, string>
 */
final readonly class AssessedRows
{
    private string $run;

    /** @param array<string, mixed> $body the written assessment */
    public function __construct(private array $body)
    {
        $this->run = Cells::text($body, 'run');
    }

    /** @return \Generator<int, Row> */
    public function limits(): \Generator
    {
        foreach (Cells::rows($this->body, 'results') as $result) {
            foreach (Cells::rows($result, 'limits') as $limit) {
                yield [
                    'run' => $this->run,
                    'result' => Cells::text($result, 'key'),
                    'limit' => Cells::text($limit, 'id'),
                    'title' => Cells::text($limit, 'title'),
                    'value' => Cells::text($limit, 'value'),
                    'value_in' => Cells::text($limit, 'unit'),
                    'comparator' => Cells::text($limit, 'comparator'),
                    'stated' => Cells::text($limit, 'words'),
                    'robustness' => Cells::text($limit, 'robustness'),
                    'statement' => Cells::text($limit, 'statement'),
                    'causes' => implode(CsvSheet::NEXT, Cells::texts($limit, 'causes')),
                    'scope' => Cells::text($limit, 'scope'),
                    'source' => Cells::text($limit, 'source'),
                    'mark' => Cells::text($limit, 'mark'),
                ];
            }
        }
    }

    /** @return \Generator<int, Row> */
    public function findings(): \Generator
    {
        foreach (Cells::rows($this->body, 'findings') as $finding) {
            $cure = Cells::map($finding, 'cure');
            yield [
                'run' => $this->run,
                'channel' => Cells::text($finding, 'channel'),
                'results' => implode(' ', Cells::texts($finding, 'results')),
                'rule' => Cells::text($finding, 'rule'),
                'title' => Cells::text($finding, 'title'),
                'severity' => Cells::text($finding, 'severity'),
                'verdict' => Cells::text($finding, 'verdict'),
                'seen' => Cells::text($finding, 'seen'),
                'allowed' => Cells::text($finding, 'limit'),
                'source' => Cells::text($finding, 'source'),
                'cure' => Cells::text($cure, 'evidence'),
                'until' => Cells::text($cure, 'until'),
            ];
        }
    }

    /** @return \Generator<int, Row> */
    public function brackets(): \Generator
    {
        $whole = ['channel' => '', 'bracket' => $this->body['bracket'] ?? null];
        foreach ([$whole, ...Cells::rows($this->body, 'channels')] as $one) {
            $bracket = Cells::map($one, 'bracket');
            $ends = [
                'pre' => array_filter([Cells::map($bracket, 'pre')]),
                'between' => Cells::rows($bracket, 'between'),
                'post' => array_filter([Cells::map($bracket, 'post')]),
                'passed over' => Cells::rows($bracket, 'passedOver'),
            ];
            foreach ($ends as $place => $checks) {
                foreach ($checks as $check) {
                    yield [
                        'run' => $this->run,
                        'channel' => Cells::text($one, 'channel'),
                        'state' => Cells::text($bracket, 'state'),
                        'place' => $place,
                        'check' => Cells::text($check, 'check'),
                        'at' => Cells::text($check, 'at'),
                        'why' => implode(CsvSheet::NEXT, Cells::texts($check, 'reasons')),
                    ];
                }
            }
        }
    }
}
