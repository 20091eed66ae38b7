<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Particle\ParticleFamily;
use Footnote\Core\Record\RecordReader;
use Footnote\Core\Record\RecordSchema;

/** One counter or dust monitor and its day, written in the record format; times are of 2 March 2026. */
final class ParticleScene
{
    use WrittenRecord;

    public const STEPS = [
        'cleaned' => 'done',
        'cell' => 'done',
        'flow-standard' => 'done',
        'flow-found' => 'done',
        'flow-adjust' => 'done',
        'blank' => 'done',
        'inlet-open' => 'done',
    ];

    /** @var array<string, string> the logs by name */
    private array $logs = [];

    /** @param array<string, mixed> $unit what differs of an airborne counter with three sizes */
    public function __construct(array $unit = [])
    {
        $certificate = static fn (string $id, array $more): array => [
            'number' => 'cert-'.$id,
            'laboratory' => 'L',
            'issued' => '2025-09-01',
            'due' => '2027-09-01',
            ...$more,
        ];
        $this->record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => 'Mill', 'timeZone' => 'UTC'],
            'campaign' => ['code' => 'c', 'title' => 'c', 'criteria' => [], 'limits' => []],
            'instruments' => [[
                'id' => 'N',
                'family' => ParticleFamily::ID,
                'model' => 'M',
                'kind' => 'airborne counter',
                'nominalFlow' => ['value' => '2.83', 'unit' => 'L/min'],
                'sizes' => [['size' => '0.3'], ['size' => '0.5'], ['size' => '5.0']],
                'cumulative' => true,
                'certificates' => [$certificate('N', [])],
                ...$unit,
            ]],
            'references' => [
                [
                    'id' => 'S',
                    'kind' => 'counter-flow-standard',
                    'model' => 'K',
                    'certificates' => [$certificate('S', ['uncertaintyPercent' => '1'])],
                ],
                [
                    'id' => 'L3',
                    'kind' => 'sphere-lot',
                    'model' => 'latex',
                    'certificates' => [$certificate('L3', ['diameter' => '3.0', 'solids' => '1'])],
                ],
            ],
            'checks' => [], 'interventions' => [], 'runs' => [],
        ];
    }

    /** @return self a photometer instead */
    public static function photometer(): self
    {
        return new self([
            'kind' => 'photometer',
            'sizes' => [],
            'cumulative' => false,
            'nominalFlow' => ['value' => '1.7', 'unit' => 'L/min'],
        ]);
    }

    /**
     * @param list<string>          $flows    as found, L/min
     * @param array<string, string> $blank    counts in clean air in ten minutes by size
     * @param array<string, mixed>  $particle further fields of its section
     * @param array<string, mixed>  $more     further fields of the check
     */
    public function check(
        string $id,
        string $at,
        array $flows = ['2.83'],
        array $blank = ['0.3' => '1', '0.5' => '0', '5.0' => '0'],
        array $particle = [],
        array $more = [],
    ): self {
        $section = [
            'flowFound' => array_map(static fn (string $flow): array => ['value' => ['value' => $flow, 'unit' => 'L/min']], $flows),
            'cell' => '97', 'laser' => '101', 'blankMinutes' => '10',
            'blankFound' => array_map(
                static fn (string $size, string $counts): array => ['size' => $size, 'value' => $counts],
                array_keys($blank),
                array_values($blank),
            ),
            ...$particle,
        ];
        $this->add(
            'checks',
            [
                'id' => $id,
                'instrument' => 'N',
                'at' => Scene::moment($at),
                'by' => 'T-1',
                'reference' => 'S',
                'steps' => self::STEPS,
                'particle' => array_filter($section, static fn (mixed $value): bool => $value !== [] && $value !== null),
                ...$more,
            ],
        );

        return $this;
    }

    /**
     * @param array<string, list<string>> $log  by size, or by "dust", an interval a minute unless said
     * @param array<string, mixed>        $more
     */
    public function run(string $id, string $from, string $to, array $log, array $more = [], int $step = 60): self
    {
        $at = new \DateTimeImmutable(Scene::moment($from));
        $text = 'Time';
        $columns = [];
        foreach (array_keys($log) as $place => $name) {
            $text .= ','.$name;
            $columns[] = ['place' => $place + 1, 'kind' => $name === 'dust' ? 'reading' : 'counts', 'channel' => $name];
        }
        foreach (array_keys(array_values($log)[0] ?? []) as $i) {
            $text .= "\n".$at->modify(\sprintf('+%d seconds', $i * $step))->format('Y-m-d H:i:s').','.implode(
                ',',
                array_map(static fn (array $values): string => $values[$i], $log),
            );
        }
        $this->logs[$id.'.csv'] = $text;
        $this->add(
            'runs',
            [
                'id' => $id,
                'instrument' => 'N',
                'start' => Scene::moment($from),
                'stop' => Scene::moment($to),
                'person' => 'W-01',
                'task' => 'soldering',
                'clockOffsetSeconds' => 0,
                'log' => [
                    'file' => $id.'.csv',
                    'format' => [
                        'delimiter' => ',',
                        'decimal' => '.',
                        'skip' => 1,
                        'columns' => $columns,
                        'time' => [0],
                        'dateOrder' => 'ymd',
                        'stepSeconds' => $step,
                    ],
                ],
                ...$more,
            ],
        );

        return $this;
    }

    /** @return array<string, string> */
    protected function logs(): array
    {
        return $this->logs;
    }

    public function assess(string $run = 'r', string $policy = 'standard'): Assessment
    {
        return Scene::assessed(
            (new RecordReader(\Footnote\Core\Families::formats()))->read(
                $this->record,
                fn (string $name): LogFile => LogFile::ofText($name, $this->logs[$name]),
            ),
            $run,
            $policy,
        );
    }

    public function intervention(string $id, string $at, string $kind): self
    {
        $this->add('interventions', ['id' => $id, 'instrument' => 'N', 'at' => Scene::moment($at), 'kind' => $kind, 'by' => 'T-1']);

        return $this;
    }
}
