<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Flow\FlowFamily;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\RecordedCampaign;
use Footnote\Core\Record\RecordReader;
use Footnote\Core\Record\RecordSchema;

/** One pump and its day, written in the record format; times are of 2 March 2026 unless a day is named. */
final class AirScene
{
    use WrittenRecord;

    public const STEPS = [
        'warm-up' => 'done',
        'medium' => 'done',
        'leak-test' => 'done',
        'reference' => 'done',
        'conditions' => 'done',
        'as-found' => 'done',
        'device-off' => 'done',
    ];

    public function __construct(string $conditions = '25')
    {
        $this->record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => 'Mill', 'timeZone' => 'UTC'],
            'campaign' => [
                'code' => 'c',
                'title' => 'c',
                'criteria' => $conditions === ''
                    ? []
                    : [[
                        'id' => 'at',
                        'name' => $conditions.' °C, 101.325 kPa',
                        'conditions' => [
                            'temperature' => ['value' => $conditions, 'unit' => '°C'],
                            'pressure' => ['value' => '101.325', 'unit' => 'kPa'],
                        ],
                        'source' => 's',
                        'mark' => 'common practice',
                    ]],
                'limits' => [],
            ],
            'instruments' => [self::pump('P')],
            'references' => [
                self::piston('S'),
                ['id' => 'T', 'kind' => 'thermometer', 'model' => 'm', 'certificates' => [self::certificate('T')]],
                ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [self::certificate('B')]],
            ],
            'library' => [
                'samplers' => [
                    [
                        'code' => 'head',
                        'name' => 'inhalable head',
                        'selects' => 'inhalable',
                        'designFlow' => ['value' => '2.0', 'unit' => 'L/min'],
                        'medium' => 'in line',
                    ],
                    ['code' => 'tube', 'name' => 'charcoal tube', 'selects' => 'vapour', 'medium' => 'in line', 'sections' => true],
                ],
                'methods' => [
                    [
                        'code' => 'dust',
                        'name' => 'weighed dust',
                        'volumeLow' => ['value' => '200', 'unit' => 'L'],
                        'volumeHigh' => ['value' => '1000', 'unit' => 'L'],
                        'blanks' => '1',
                        'samplingError' => '0.16',
                    ],
                    [
                        'code' => 'vapour',
                        'name' => 'vapours on charcoal',
                        'volumeLow' => ['value' => '1', 'unit' => 'L'],
                        'volumeHigh' => ['value' => '10', 'unit' => 'L'],
                        'flowHigh' => ['value' => '0.2', 'unit' => 'L/min'],
                        'blanks' => '1',
                        'desorption' => true,
                    ],
                ],
                'substances' => [
                    ['code' => 'wood', 'name' => 'wood dust'],
                    ['code' => 'toluene', 'name' => 'toluene', 'molarMass' => '92.14', 'source' => 'NIOSH Pocket Guide'],
                    ['code' => 'acetone', 'name' => 'acetone', 'molarMass' => '58.08'],
                ],
            ],
            'checks' => [], 'interventions' => [], 'runs' => [], 'blanks' => [['medium' => 'F0', 'kind' => 'field']], 'laboratory' => [],
        ];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    public static function pump(string $id, array $more = []): array
    {
        return ['id' => $id, 'family' => FlowFamily::ID, 'model' => 'M', 'kind' => 'pump', 'flowControl' => 'compensated', ...$more];
    }

    /** @return array<string, mixed> */
    public static function piston(string $id, string $uncertainty = '1.0'): array
    {
        return [
            'id' => $id,
            'kind' => 'dry-piston',
            'model' => 'K',
            'scale' => 'L/min',
            'rangeLow' => ['value' => '5', 'unit' => 'mL/min'],
            'rangeHigh' => ['value' => '5', 'unit' => 'L/min'],
            'certificates' => [self::certificate($id, ['uncertaintyPercent' => $uncertainty])],
        ];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    public static function certificate(string $id, array $more = []): array
    {
        return ['number' => 'cert-'.$id, 'laboratory' => 'L', 'issued' => '2025-09-01', 'due' => '2030-09-01', ...$more];
    }

    /**
     * @param list<string>         $found flows as found, three of each where one is given
     * @param list<string>         $left  flows as left; none: not adjusted
     * @param array<string, mixed> $more  further fields of the check
     * @param array<string, mixed> $flow
     */
    public function check(string $id, string $at, array $found, array $left = [], array $more = [], array $flow = []): self
    {
        $rows = static fn (array $values): array => array_map(
            static fn (mixed $value): array => ['value' => $value, 'provenance' => 'typed'],
            \count($values) === 1 ? [$values[0], $values[0], $values[0]] : $values,
        );
        $this->add('checks', [
            'id' => $id, 'instrument' => 'P', 'at' => Scene::moment($at), 'by' => 'T-1', 'reference' => 'S', 'steps' => self::STEPS,
            'flow' => array_filter(
                [
                    'temperature' => ['value' => '20', 'unit' => '°C'],
                    'pressure' => ['value' => '100', 'unit' => 'kPa'],
                    'thermometer' => 'T',
                    'barometer' => 'B',
                    'medium' => 'in line',
                    'target' => ['value' => '2.0', 'unit' => 'L/min'],
                    'leakStalled' => 'yes',
                    'asFound' => $rows($found),
                    'asLeft' => $rows($left),
                    'adjusted' => $left !== [],
                    ...$flow,
                ],
                static fn (mixed $one): bool => $one !== null,
            ),
            ...$more,
        ]);

        return $this;
    }

    /** @param array<string, mixed> $more */
    public function run(string $id, string $from, ?string $to, array $more = []): self
    {
        $this->add('runs', array_filter([
            'id' => $id, 'instrument' => 'P', 'start' => Scene::moment($from), 'stop' => $to === null
                ? null
                : Scene::moment($to), 'person' => 'W-01', 'task' => 'sanding', 'clockOffsetSeconds' => 0,
            'medium' => 'M-'.$id,
            'sampler' => 'head',
            'method' => 'dust',
            'fieldTemperature' => ['value' => '20', 'unit' => '°C'],
            'fieldPressure' => ['value' => '100', 'unit' => 'kPa'],
            ...$more,
        ], static fn (mixed $value): bool => $value !== null));

        return $this;
    }

    /**
     * @param array<string, mixed> $row    what differs of the row on the medium of the run
     * @param array<string, mixed> $report what the report says of all rows
     */
    public function found(string $run, string $front, array $row = [], array $report = [], string $blank = '<20'): self
    {
        $analyte = $row['analyte'] ?? 'wood';
        $this->add('laboratory', [
            'id' => 'L-'.$run.\count(\is_array($this->record['laboratory']) ? $this->record['laboratory'] : []),
            'number' => 'rep-'.$run,
            'laboratory' => 'Lab',
            'received' => '2026-03-20',
            'blankCorrected' => 'no',
            'desorptionCorrected' => 'no',
            ...$report,
            'rows' => [
                array_filter(
                    ['medium' => 'M-'.$run, 'analyte' => $analyte, 'front' => $front, 'unit' => 'µg', ...$row],
                    static fn (mixed $cell): bool => $cell !== null,
                ),
                ...($blank === '' ? [] : [['medium' => 'F0', 'analyte' => $analyte, 'front' => $blank, 'unit' => 'µg']]),
            ],
        ]);

        return $this;
    }

    /** @param array<string, mixed> $entry */
    public function shelve(string $shelf, array $entry): self
    {
        $library = $this->record['library'];
        \assert(\is_array($library) && \is_array($library[$shelf]));
        $library[$shelf][] = $entry;
        $this->record['library'] = $library;

        return $this;
    }

    public function read(): RecordedCampaign
    {
        return (new RecordReader(\Footnote\Core\Families::formats()))->read(
            $this->record,
            static fn (string $name): LogFile => LogFile::ofText($name, ''),
        );
    }

    public function assess(string $run, string $policy = 'standard'): Assessment
    {
        $campaign = $this->read();
        $shifts = new ShiftAssessor(Families::assessor(), Scene::policy($policy), $campaign->yardsticks);
        foreach ($campaign->timelines as $timeline) {
            foreach ($timeline->runs() as $one) {
                if ($one->id === $run) {
                    return $shifts->assess($one, $timeline, $campaign->shiftOf($one));
                }
            }
        }
        throw new \OutOfBoundsException($run);
    }

    public function result(string $run, string $key, string $policy = 'standard'): Result
    {
        return Scene::result($this->assess($run, $policy), $key);
    }
}
