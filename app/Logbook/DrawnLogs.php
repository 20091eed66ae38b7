<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\LogsByChannel;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\SketchesLogs;

/** A log for drawing: small, or the whole of one channel. */
final readonly class DrawnLogs
{
    /** In how many stretches a log is drawn small. */
    private const STRETCHES = 600;

    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Judging $judging,
        private Policies $policies,
        private Assessor $assessor,
        private Formats $families,
    ) {
    }

    /** @return array<string, mixed> the whole log of one channel or size, as indicated and with the response of each moment taken out */
    public function channel(string $id, string $channel): array
    {
        $run = $this->run($id);
        $family = $this->family($run);
        $series = $family instanceof LogsByChannel ? $family->series($channel, $run) : null;
        if (!$family instanceof LogsByChannel || $series === null) {
            throw Problem::missing('A log of channel '.$channel.' of run '.$id);
        }
        $limits = [];
        foreach ($family->resultsOf($channel) as $result) {
            foreach ($result->outcomes as $outcome) {
                if ($outcome->limit->threshold->unit === $series->unit->value) {
                    $limits[] = [
                        'title' => $outcome->limit->title.' '.$outcome->limit->threshold->value->written,
                        'value' => $outcome->limit->threshold->value->value->toFloat(),
                    ];
                }
            }
        }

        return [
            'channel' => $channel,
            'unit' => $series->unit->value,
            'start' => $series->start->format(\DATE_ATOM),
            'stepSeconds' => $series->step,
            'logged' => $series->indicated,
            'corrected' => $series->corrected,
            'limits' => $limits,
        ];
    }

    /** @return array<string, mixed> the lowest, highest and mean level of each stretch */
    public function sketch(string $id): array
    {
        $drawn = $this->whole($this->run($id), self::STRETCHES);

        return $drawn === null ? ['start' => null, 'stepSeconds' => null, 'points' => []] : [
            'start' => $drawn->start->format(\DATE_ATOM),
            'stepSeconds' => $drawn->sketch->step,
            'points' => $drawn->sketch->points,
        ];
    }

    /**
     * All that can be drawn of the log of a run: one line for the whole unit, or each channel for itself.
     *
     * @param int $most in how many stretches, at most
     *
     * @return list<DrawnLog> none where there is no log
     */
    public function drawn(string $id, int $most): array
    {
        $run = $this->run($id);
        $whole = $this->whole($run, $most);
        if ($whole !== null) {
            return [$whole];
        }
        if (!$run->content instanceof Logged || $run->content->log() === null) {
            return [];
        }
        $family = $this->family($run);
        if (!$family instanceof LogsByChannel) {
            return [];
        }
        $drawn = [];
        foreach ($family->logged() as $one) {
            $series = $family->series($one['channel'], $run);
            if ($series !== null) {
                $drawn[] = new DrawnLog($one['words'], $series->start, $series->sketch($most));
            }
        }

        return $drawn;
    }

    private function run(string $id): Run
    {
        return $this->logbook->coreRun($this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id));
    }

    private function family(Run $run): FamilyResults
    {
        $campaign = $this->campaigns->ofRun($run->id);

        return $this->assessor->assess(
            $run,
            $this->logbook->timeline($run->deployment->instrument),
            $this->policies->get($campaign['policy']),
            $this->judging->yardsticks($campaign['id']),
        )->family;
    }

    /** Null where a unit of its family is not drawn as one line. */
    private function whole(Run $run, int $most): ?DrawnLog
    {
        $log = $run->content instanceof Logged ? $run->content->log() : null;
        if (!$log instanceof SeriesLog) {
            return null;
        }
        $format = $this->families->of($this->logbook->instrument($run->deployment->instrument)->family ?? '');

        return $format instanceof SketchesLogs
            ? new DrawnLog('', $run->trueTime($log->start()), $format->sketch($log, $most))
            : null;
    }
}
