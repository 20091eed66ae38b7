<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Row\LogChannel;
use Footnote\App\Logbook\Row\LogFile;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\SeriesLog;
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
     * Reads and stores a log of a run that is in the logbook; large parts are let go of at once.
     *
     * @param string $id what the stored log is called
     *
     * @throws UnreadableLog naming the lines
     */
    public function keep(
        string $id,
        string $run,
        string $name,
        string $path,
        Fields $format,
        ?\DateTimeImmutable $start,
        \DateTimeZone $zone,
        string $actor,
    ): SeriesLog {
        $how = $this->formats->read($format);
        $source = RecordFile::logAt($path, mb_substr($name, 0, 200));
        $log = (new LogReader($how))->read($source->lines(), $zone, $start);
        $bytes = (string) file_get_contents($path);
        $file = new LogFile(
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
        $this->entities->persist($file);
        $this->entities->flush();
        $this->entities->detach($file);
        foreach (array_keys($log->columns()) as $place) {
            $channel = new LogChannel($id, $place, Cells::packed((string) stream_get_contents($log->stream($place))));
            $this->entities->persist($channel);
            $this->entities->flush();
            $this->entities->detach($channel);
        }

        return $log;
    }
}
