<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Psr\Clock\ClockInterface;

/** The checks of a sheet of paper while it is copied: half-done ones that are kept nowhere. */
final readonly class PaperDrafts
{
    /** What somebody at a screen does; on a sheet nobody did. */
    private const AT_THE_BENCH = ['waits', 'together'];

    public function __construct(private Logbook $logbook, private ModelSheets $sheets, private ClockInterface $clock)
    {
    }

    /**
     * Those before and after the run.
     *
     * @param array<string, mixed> $before answers
     * @param array<string, mixed> $after
     *
     * @return array{Draft, Draft}
     */
    public function both(User $by, string $instrument, array $before, array $after): array
    {
        $unit = $this->logbook->instrument($instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $sheets = [ModelSheets::ANSWER => $this->sheets->applying($unit)->codes()];

        return [$this->draft($by, $unit, 'paper-before', $sheets, $before), $this->draft($by, $unit, 'paper-after', $sheets, $after)];
    }

    /**
     * @param array<string, mixed> $sheets  the answer that names them
     * @param array<string, mixed> $answers
     */
    private function draft(User $by, Instrument $unit, string $id, array $sheets, array $answers): Draft
    {
        $draft = new Draft($id, $unit->id, $by->code, $this->clock->now());
        $answers = [...array_diff_key($answers, array_flip(self::AT_THE_BENCH)), 'fromPaper' => true];
        $answers = Stamps::on($sheets, $answers, $this->clock->now());
        $draft->answer($answers, Typists::after([], $answers, [], $by->code));

        return $draft;
    }
}
