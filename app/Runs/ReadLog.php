<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Record\Fields;
use Symfony\Component\Uid\Ulid;

/** A log is read and kept under its run, the file byte for byte. A second one says why it takes the place of the first. */
final readonly class ReadLog
{
    public function __construct(
        private Journal $journal,
        private Logbook $logbook,
        private Campaigns $campaigns,
        private LogKeeper $logs,
        private FactKeeper $facts,
    ) {
    }

    /**
     * @param string $path   where the file lies
     * @param Fields $format how it is written
     */
    public function __invoke(User $by, string $id, string $name, string $path, Fields $format, string $reason): void
    {
        $this->before($id, $reason);
        $stored = (string) new Ulid();
        $zone = new \DateTimeZone($this->campaigns->ofRun($id)['zone']);
        try {
            $start = $format->optionalMoment('start');
            $read = iterator_to_array(
                $this->logs->read($stored, $id, $name === '' ? 'log.csv' : $name, $path, $format, $start, $zone, $by->code),
                false,
            );
        } catch (UnreadableLog $problem) {
            throw new Problem(422, 'The log was not kept. '.$problem->getMessage(), array_map(
                static fn (array $fault): array => [
                    'field' => $fault['line'] === null ? '/log' : '/log/line/'.$fault['line'],
                    'problem' => $fault['problem'],
                ],
                $problem->problems,
            ));
        }
        $told = ['run' => $id, 'name' => $name, 'sha256' => hash_file('sha256', $path), 'format' => $format->data()];
        $this->journal->during($by->code, 'log read', $told, function () use ($by, $id, $stored, $read, $reason): void {
            $before = $this->before($id, $reason);
            $this->logs->keep($read);
            // What was said of the log before is not said of this one.
            $forgotten = isset($before['logWord']) ? ['logWord' => null] : [];
            $this->facts->keep($by, $id, $before, ['log' => ['stored' => $stored], ...$forgotten], $reason);
        });
    }

    /** @return array<string, mixed> the run, which may have the log */
    private function before(string $id, string $reason): array
    {
        $before = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        if (isset($before['log']) && $reason === '') {
            throw Problem::field(
                '/reason',
                'this run has a log already: say why another takes its place. The first one stays on record.',
            );
        }

        return $before;
    }
}
