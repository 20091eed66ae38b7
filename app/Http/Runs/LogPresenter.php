<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Logged;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\LogsByChannel;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\SketchesLogs;

/** A log for drawing: small, or the whole of one channel. */
final readonly class LogPresenter
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
        $run = $this->logbook->coreRun($this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id));
        $campaign = $this->campaigns->ofRun($id);
        $family = $this->assessor->assess(
            $run,
            $this->logbook->timeline($run->deployment->instrument),
            $this->policies->get($campaign['policy']),
            $this->judging->yardsticks($campaign['id']),
        )->family;
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
        $run = $this->logbook->coreRun($this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id));
        $format = $this->families->of($this->logbook->timeline($run->deployment->instrument)->instrument->family);
        $log = $run->content instanceof Logged ? $run->content->log() : null;
        if (!$format instanceof SketchesLogs || !$log instanceof SeriesLog) {
            return ['start' => null, 'stepSeconds' => null, 'points' => []];
        }
        $series = $format->sketch($log, self::STRETCHES);

        return [
            'start' => $run->trueTime($log->start())->format(\DATE_ATOM),
            'stepSeconds' => $series->step,
            'points' => array_map(static fn (?array $point): ?array => $point, $series->points),
        ];
    }
}
