<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Reports;
use Footnote\App\Logbook\Row\LaboratoryReport;
use Footnote\App\Logbook\Row\LaboratoryRow;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Staging;
use Footnote\Core\Air\Substances;
use Footnote\Core\Flow\Corrected;
use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Flow\LaboratoryStandIn;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Takes a laboratory's report in: read to its end first, then kept whole or not at all. */
final readonly class LaboratoryKeeper
{
    private const SHOWN_PROBLEMS = 40;
    private const TOLD = 100;

    public function __construct(
        private Reports $reports,
        private PracticeUnits $practice,
        private Libraries $libraries,
        private Journal $journal,
        private Staging $staging,
        private Touches $touches,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, string> codes of substances by lower-case name and code */
    public function codes(): array
    {
        $codes = [];
        foreach ($this->libraries->names(Substances::SHELF) as $code => $name) {
            $codes[mb_strtolower($name)] = $code;
            $codes[mb_strtolower($code)] = $code;
        }

        return $codes;
    }

    /**
     * What a report says of all its rows.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidRecord naming the field
     */
    public static function head(Fields $fields): array
    {
        $state = static function (string $name) use ($fields): string {
            return ($fields->has($name) ? $fields->choice($name, Corrected::class) : throw new InvalidRecord(
                $fields->at($name),
                'is asked of the laboratory: yes, no or unknown.',
            ))->value;
        };

        return [
            'number' => $fields->text('number'),
            'laboratory' => $fields->text('laboratory'),
            'received' => $fields->day('received')->format('Y-m-d'),
            'blankCorrected' => $state('blankCorrected'),
            'desorptionCorrected' => $state('desorptionCorrected'),
        ];
    }

    /**
     * Reads a whole file and says what is wrong with it, line by line.
     *
     * @param \Closure(): iterable<string> $lines opens the file anew
     *
     * @return array{rows: int, told: array{simulated?: true}} how many rows it holds, and what stands in its head of who sent it
     *
     * @throws Problem where a line cannot be read, or a stand-in reports on a real sample; nothing was kept
     */
    public function check(LaboratoryFile $file, \Closure $lines): array
    {
        $simulated = LaboratoryStandIn::sent($lines());
        $media = [];
        $rows = 0;
        $faults = [];
        $more = 0;
        $seen = [];
        foreach ($file->read($lines()) as $number => $line) {
            $fault = $line instanceof InvalidRecord ? $line : null;
            foreach ($line instanceof InvalidRecord ? [] : $line as $row) {
                ++$rows;
                if ($simulated) {
                    $media[] = $row['medium'];
                }
                // Kept as short hashes, so that a long report stays small in memory.
                $key = substr(hash('xxh128', $row['medium']."\0".$row['analyte'], true), 0, 8);
                if (isset($seen[$key])) {
                    $fault = new InvalidRecord(
                        '/line/'.$number.'/medium',
                        \sprintf('%s on %s stands in line %d already.', $row['analyte'], $row['medium'], $seen[$key]),
                    );
                }
                $seen[$key] ??= $number;
            }
            if ($fault !== null) {
                if (\count($faults) < self::SHOWN_PROBLEMS) {
                    $faults[] = ['field' => $fault->path, 'problem' => $fault->problem];
                } else {
                    ++$more;
                }
            }
        }
        if ($faults !== []) {
            $first = $faults[0];
            throw new Problem(
                422,
                \sprintf(
                    'The report was not kept. Line %s, %s: %s%s',
                    explode('/', $first['field'])[2] ?? '?',
                    basename($first['field']),
                    $first['problem'],
                    \count($faults) + $more > 1 ? \sprintf(' There are %d more.', \count($faults) + $more - 1) : '',
                ),
                $faults,
            );
        }
        if ($rows === 0) {
            throw new Problem(422, 'The report was not kept: it holds no row below its head.');
        }

        $this->refuseReal($media);

        return ['rows' => $rows, 'told' => $simulated ? ['simulated' => true] : []];
    }

    /**
     * @param list<string> $media that a stand-in reports on
     *
     * @throws Problem where one of them is of anything but a practice unit
     */
    private function refuseReal(array $media): void
    {
        $practice = $media === [] ? [] : $this->practice->all();
        foreach (array_unique($media) as $medium) {
            $units = $this->reports->unitsOf($medium);
            $real = array_filter($units, static fn (string $unit): bool => !isset($practice['='.$unit]));
            if ($units === [] || $real !== []) {
                throw Problem::field('/medium', \sprintf(
                    '%s was on no practice unit, and this report is one of a stand-in. Nothing was kept.',
                    $medium,
                ));
            }
        }
    }

    /**
     * Keeps a report that was checked.
     *
     * @param array<string, mixed>                                    $head
     * @param iterable<list<array<string, string>>|InvalidRecord>     $lines
     * @param array{name: string, sha256: string, packed: string}|null $original
     * @param array<string, mixed>|null                               $mapping
     * @param \Closure(int): void                                     $progress told after every hundred rows
     *
     * @return array{id: string, rows: int, unmatched: list<string>}
     */
    public function keep(
        array $head,
        iterable $lines,
        ?array $original,
        ?array $mapping,
        string $reason,
        string $actor,
        \Closure $progress,
    ): array {
        $told = [...$head, 'reason' => $reason, 'file' => $original['name'] ?? null, 'sha256' => $original['sha256'] ?? null];
        $id = (string) new Ulid();
        try {
            // Prepared beside the logbook: the lock is held only while it is taken in.
            $this->staging->add(new LaboratoryReport(
                $id,
                Cells::text($head, 'laboratory'),
                ['id' => $id, ...$head],
                $mapping,
                $original['name'] ?? '',
                $original['sha256'] ?? '',
                $original['packed'] ?? null,
                $actor,
                $this->clock->now(),
            ));
            $count = 0;
            foreach ($lines as $rows) {
                foreach ($rows instanceof InvalidRecord ? throw $rows : $rows as $row) {
                    $this->staging->add(new LaboratoryRow($id, Cells::text($row, 'medium'), Cells::text($row, 'analyte'), $row));
                    if (++$count % self::TOLD === 0) {
                        $progress($count);
                    }
                }
            }
            $progress($count);

            return $this->journal->during($actor, 'laboratory report', $told, function () use ($id, $count, $reason): array {
                $this->staging->takeIn();
                $before = $reason === '' ? $this->reports->reportedBefore($id) : null;
                if ($before !== null) {
                    throw Problem::field('/reason', \sprintf(
                        '%s on %s was reported before: say why this report takes its place. The first one stays on record.',
                        $before['analyte'],
                        $before['medium'],
                    ));
                }
                $this->touches->report($id);

                return ['id' => $id, 'rows' => $count, 'unmatched' => $this->reports->unmatched($id, 50)];
            });
        } finally {
            $this->staging->letGo();
        }
    }
}
