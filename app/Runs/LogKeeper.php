<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Row\LogChannel;
use Footnote\App\Logbook\Row\LogFile;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\LogFormatReader;
use Psr\Clock\ClockInterface;

/** Keeps a log: the file byte for byte with its digest, and its columns packed. */
final readonly class LogKeeper
{
    public function __construct(
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
        private LogFormatReader $formats,
    ) {
    }

    /**
     * Reads a log of a run, which takes its time: before the lock.
     *
     * @param string $id what the stored log is called
     *
     * @return \Generator<int, LogFile|LogChannel> the rows to be kept of it, the file first; one at a time, since each may be large
     *
     * @throws UnreadableLog naming the lines, before the first row
     */
    public function read(
        string $id,
        string $run,
        string $name,
        string $path,
        Fields $format,
        ?\DateTimeImmutable $start,
        \DateTimeZone $zone,
        string $actor,
    ): \Generator {
        $how = $this->formats->read($format);
        $source = RecordFile::logAt($path, mb_substr($name, 0, 200));
        $log = (new LogReader($how))->read($source->lines(), $zone, $start);
        $bytes = (string) file_get_contents($path);
        yield new LogFile(
            $id,
            $run,
            $source->name,
            $source->sha256,
            \strlen($bytes),
            Cells::packed($bytes),
            $this->formats->write($how),
            $log->start()->format('Y-m-d\TH:i:s.uP'),
            $log->step(),
            $log->length(),
            $log->remarks(),
            $source->origin($how->layout->skip)->head,
            $actor,
            $this->clock->now(),
        );
        foreach (array_keys($log->columns()) as $place) {
            yield new LogChannel($id, $place, Cells::packed((string) stream_get_contents($log->stream($place))));
        }
    }

    /**
     * Keeps what was read; large parts are let go of at once.
     *
     * @param iterable<LogFile|LogChannel> $rows
     */
    public function keep(iterable $rows): void
    {
        foreach ($rows as $row) {
            $this->entities->persist($row);
            $this->entities->flush();
            $this->entities->detach($row);
        }
    }
}
