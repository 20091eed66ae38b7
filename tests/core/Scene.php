<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyReader;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Noise\NoiseRecord;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\RecordedCampaign;
use Footnote\Core\Record\RecordReader;
use Footnote\Core\Record\RecordSchema;

/** One dosimeter and its day, written in the record format; times are of 2 March 2026 unless a day is named. */
final class Scene
{
    use WrittenRecord;

    public const STEPS = [
        'stopped' => 'done',
        'windscreen-off' => 'done',
        'reference' => 'done',
        'adapter' => 'done',
        'steady' => 'done',
        'as-found' => 'done',
        'calibrator-off' => 'done',
        'windscreen-on' => 'done',
    ];

    public function __construct()
    {
        $this->record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => 'Mill', 'timeZone' => 'UTC'],
            'campaign' => ['code' => 'c', 'title' => 'c', ...\Footnote\Core\Families::formats()->begunWith(
                ['noise-eu', 'noise-us', 'noise-niosh', 'conditions-25'],
            )],
            'instruments' => [['id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140']],
            'references' => [self::calibrator('A', '114.0', '0.2'), self::calibrator('B', '114.0', '0.2')],
            'checks' => [],
            'interventions' => [],
            'runs' => [],
        ];
    }

    /** @return array<string, mixed> */
    public static function calibrator(string $id, string $certified, string $uncertainty): array
    {
        return ['id' => $id, 'kind' => 'acoustic-calibrator', 'model' => 'K', 'adapters' => ['1/2 in'], 'certificates' => [
            [
                'number' => 'cert-'.$id,
                'laboratory' => 'L',
                'issued' => '2025-09-01',
                'due' => '2030-09-01',
                'values' => [['nominal' => '114', 'certified' => $certified, 'uncertainty' => $uncertainty, 'frequency' => '1000']],
            ],
        ]];
    }

    /**
     * @param list<string>         $found readings as found
     * @param list<string>         $left  readings as left; none: not adjusted
     * @param array<string, mixed> $more  further fields of the check
     * @param array<string, mixed> $acoustic
     */
    public function check(string $id, string $at, array $found, array $left = [], array $more = [], array $acoustic = []): self
    {
        $readings = static fn (array $values): array => array_map(
            static fn (mixed $value): array => ['value' => $value, 'provenance' => 'typed'],
            $values,
        );
        $this->add('checks', array_filter([
            'id' => $id, 'instrument' => 'D', 'at' => self::moment($at), 'by' => 'T-1', 'reference' => 'A', 'steps' => self::STEPS,
            'acoustic' => [
                'nominal' => '114',
                'asFound' => $readings($found),
                'asLeft' => $readings($left),
                'adjusted' => $left !== [],
                ...$acoustic,
            ],
            ...$more,
        ], static fn (mixed $one): bool => $one !== null));

        return $this;
    }

    /** @param array<string, mixed> $more */
    public function run(string $id, string $from, ?string $to, string $level = '90.0', array $more = []): self
    {
        $this->add('runs', array_filter([
            'id' => $id, 'instrument' => 'D', 'start' => self::moment($from), 'stop' => $to === null
                ? null
                : self::moment($to), 'person' => 'W-01', 'task' => 'sawing', 'clockOffsetSeconds' => 0,
            'totals' => ['equivalentLevel' => ['value' => $level, 'provenance' => 'typed']],
            ...$more,
        ], static fn (mixed $value): bool => $value !== null));

        return $this;
    }

    public function intervention(string $id, string $at, string $kind): self
    {
        $this->add('interventions', ['id' => $id, 'instrument' => 'D', 'at' => self::moment($at), 'kind' => $kind, 'by' => 'T-1']);

        return $this;
    }

    public function read(): RecordedCampaign
    {
        return (new RecordReader(\Footnote\Core\Families::formats()))->read(
            $this->record,
            static fn (string $name): LogFile => LogFile::ofText($name, ''),
        );
    }

    public function assess(string $run, string $policy = 'standard', ?Yardsticks $yardsticks = null): Assessment
    {
        return self::assessed($this->read(), $run, $policy, $yardsticks);
    }

    /** A run of a whole record, on whatever unit it was made. */
    public static function assessed(RecordedCampaign $campaign, string $run, string $policy, ?Yardsticks $yardsticks = null): Assessment
    {
        foreach ($campaign->timelines as $timeline) {
            foreach ($timeline->runs() as $one) {
                if ($one->id === $run) {
                    return Families::assessor()->assess($one, $timeline, self::policy($policy), $yardsticks ?? $campaign->yardsticks);
                }
            }
        }
        throw new \OutOfBoundsException($run);
    }

    /** The same with a log in place of the totals of a run. */
    public function assessLog(string $run, PackedLog $log, string $policy = 'standard'): Assessment
    {
        $campaign = $this->read();
        $timeline = $campaign->timelines['D'];
        $runs = [];
        foreach ($timeline->runs() as $one) {
            $runs[] = $one->id !== $run
                ? $one
                : new \Footnote\Core\Evidence\Run(
                    $one->id,
                    $one->deployment,
                    $one->timing,
                    $one->day,
                    new NoiseRecord($log, null, 'log.csv'),
                    $one->notes,
                    $one->source,
                );
        }
        $timeline = new \Footnote\Core\Evidence\Timeline(
            $timeline->instrument,
            new \Footnote\Core\Evidence\RecordedChronicle($timeline->checks(), $timeline->interventions(), $runs),
            $timeline->references,
        );
        foreach ($timeline->runs() as $one) {
            if ($one->id === $run) {
                return Families::assessor()->assess($one, $timeline, self::policy($policy), $campaign->yardsticks);
            }
        }
        throw new \OutOfBoundsException($run);
    }

    public static function policy(string $id): Policy
    {
        $read = static function (string $name): array {
            /** @var array{id: string, name: string, version: int, rules: array<string, array<string, mixed>>} $data */
            $data = json_decode(
                (string) file_get_contents(__DIR__.'/../../core/Judgement/shipped/'.$name.'.json'),
                true,
                32,
                \JSON_THROW_ON_ERROR,
            );

            return $data;
        };
        $reader = new PolicyReader();

        // @phpstan-ignore argument.type, argument.type (the files' own shape is what the reader tests)
        return $reader->read($reader->complete($read($id), ['standard' => $read('standard')]));
    }

    public static function moment(string $at): string
    {
        return (\strlen($at) > 8 ? $at : '2026-03-02T'.$at.(\strlen($at) === 5 ? ':00' : '')).'+00:00';
    }

    /** @return list<string> rules that found something */
    public static function rules(Assessment $assessment): array
    {
        return array_values(array_unique(array_map(static fn ($finding): string => $finding->rule->id, $assessment->findings)));
    }

    public static function result(Assessment $assessment, string $key): Result
    {
        foreach ($assessment->results as $result) {
            if ($result->key === $key) {
                return $result;
            }
        }
        throw new \OutOfBoundsException(
            $key.' is not among '.implode(', ', array_map(static fn (Result $result): string => $result->key, $assessment->results)),
        );
    }

    public static function fields(mixed $data): Fields
    {
        return Fields::of($data);
    }
}
