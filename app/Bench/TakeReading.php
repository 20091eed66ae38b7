<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Files\KeepFile;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\KeptFile;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\Fields;
use Footnote\Core\Source\Taken;
use Psr\Clock\ClockInterface;

/** Takes readings from a source into a half-done check; the lines that they stand on are kept with it, byte for byte. */
final readonly class TakeReading
{
    /** How far back the kept stretch goes, s: the plateau and what led to it. */
    public const STRETCH = 120.0;
    /** Lines of another time than the rest of the check are another check's, s (own). */
    private const APART = 4 * 3600.0;
    /** Nobody keeps the lines of a check so long before it is written down, s (own). */
    private const OLD = 31 * 86400.0;
    /** What goes into one row was printed within so many seconds. */
    private const TOGETHER = 2.0;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Drafts $drafts,
        private HearSource $hear,
        private KeptFiles $files,
        private Numbers $numbers,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param bool $anyway though it does not stand still yet
     *
     * @throws Problem where nothing is taken, and why
     */
    public function __invoke(User $by, string $id, string $step, Fields $source, bool $anyway, int $version): Draft
    {
        $draft = $this->drafts->open($id);
        $heard = ($this->hear)($draft, $step, $source, self::STRETCH);
        $taken = $this->taken($heard, $anyway);
        $until = max(self::moments($taken));
        $this->refuseOld($draft, $heard, $until);
        $count = array_sum(array_map(static fn (Taken $one): int => \count($one->samples), $taken));
        $told = ['draft' => $id, 'instrument' => $draft->instrument, 'step' => $step, 'by' => $heard->asked->kind, 'readings' => $count];
        $keep = function () use ($by, $draft, $heard, $taken, $until, $version): Draft {
            $number = $this->numbers->next('kept_file', 'F-%05d');
            $answers = self::answers($draft, $heard, $taken, $number);
            $typed = Typists::after($draft->answers(), $answers, $draft->typed(), $by->code);
            $this->drafts->answer($draft, $answers, $typed, $version, 'nothing was taken');
            $this->entities->persist($this->file($number, $draft, $heard, $until, $by));

            return $draft;
        };

        return $this->journal->during($by->code, 'lines kept', $told, $keep);
    }

    /** @return non-empty-list<Taken> */
    private function taken(Heard $heard, bool $anyway): array
    {
        if ($heard->by->refusals !== []) {
            throw new Problem(422, implode(' ', $heard->by->refusals).' Nothing was taken.');
        }
        $taken = [];
        $waiting = [];
        foreach ($heard->at->takes() ? $heard->watched() : [] as [$feed, $watched]) {
            $one = $watched->last === null ? null : Taken::from($heard->stretch, $feed);
            if ($one === null) {
                $waiting[] = $feed->channel.' '.$watched->words;
                continue;
            }
            if ($watched->steady !== true && $feed->steady !== null && !$anyway) {
                throw new Problem(409, \sprintf('%s %s. Nothing was taken.', $feed->channel, $watched->words));
            }
            $taken[] = $one;
        }
        if ($taken === []) {
            $why = $waiting === [] ? 'This step takes no readings from a source' : implode('; ', $waiting);
            throw new Problem(409, $why.'. Nothing was taken.');
        }
        $moments = self::moments($taken);
        if (self::isOneReading($taken) && Span::secondsBetween(min($moments), max($moments)) > self::TOGETHER) {
            throw new Problem(409, 'The lines of one reading are not all there yet. Nothing was taken.');
        }

        return $taken;
    }

    /**
     * @param non-empty-list<Taken> $taken
     *
     * @return non-empty-list<\DateTimeImmutable> when the last of each came
     */
    private static function moments(array $taken): array
    {
        return array_map(static fn (Taken $one): \DateTimeImmutable => $one->last()->at, $taken);
    }

    /** @param non-empty-list<Taken> $taken */
    private static function isOneReading(array $taken): bool
    {
        $rows = array_map(static fn (Taken $one): array => $one->feed->row, $taken);

        return \count($taken) > 1 && \count(array_unique($rows, \SORT_REGULAR)) === 1;
    }

    /** What was taken already is not taken again, and what is of another day is not of this check. */
    private function refuseOld(Draft $draft, Heard $heard, \DateTimeImmutable $until): void
    {
        $files = $this->files->of(FileOf::Draft, $draft->id);
        foreach ($files as $file) {
            if (KeptLines::reach($file, $heard->at->step->id, $until)) {
                throw new Problem(409, 'Nothing new has come since the last reading. Nothing was taken.');
            }
        }
        if (\count($files) >= KeepFile::MOST) {
            throw new Problem(
                409,
                \sprintf('A check has at most %d files, its stretches of lines among them. Nothing was taken.', KeepFile::MOST),
            );
        }
        if ($until > Span::shift($heard->by->now, 60)) {
            throw new Problem(422, \sprintf(
                'These lines say %s, which is yet to come: is the clock of the instrument off? Nothing was taken.',
                $until->setTimezone($heard->by->now->getTimezone())->format('j M Y H:i'),
            ));
        }
        if (!$heard->asked->isLive()) {
            self::refuseOtherDay(Stamps::moment($draft->answers(), 'at'), $until, $heard->by->now);
        }
    }

    /** Lines that nobody saw come are of when they say: of this check, where it holds a reading already. */
    private static function refuseOtherDay(?\DateTimeImmutable $begun, \DateTimeImmutable $until, \DateTimeImmutable $now): void
    {
        $at = static fn (\DateTimeImmutable $one): string => $one->setTimezone($now->getTimezone())->format('j M Y H:i');
        if ($begun !== null && abs(Span::secondsBetween($begun, $until)) > self::APART) {
            throw new Problem(422, \sprintf(
                'These lines are of %s, and this check is of %s. Nothing was taken.',
                $at($until),
                $at($begun),
            ));
        }
        if (Span::secondsBetween($until, $now) > self::OLD) {
            throw new Problem(422, \sprintf(
                'These lines say %s, which is long ago: is the clock of the instrument off? Nothing was taken.',
                $at($until),
            ));
        }
    }

    /**
     * @param non-empty-list<Taken> $taken
     *
     * @return array<string, mixed>
     */
    private static function answers(Draft $draft, Heard $heard, array $taken, string $number): array
    {
        $answers = $draft->answers();
        $readings = $heard->at->step->readings;
        $columns = $heard->at->columns();
        $how = $heard->isSimulated() ? Provenance::Simulated : Provenance::Instrument;
        $ofRows = [];
        foreach ($taken as $one) {
            if (\in_array($one->feed->column, $columns, true)) {
                $ofRows[] = $one;
            } else {
                $answers = TakenFields::with($answers, $one, $number, $how);
            }
        }
        if ($ofRows !== [] && $readings !== null) {
            $rows = \is_array($answers[$readings->name] ?? null) ? $answers[$readings->name] : [];
            $rows = array_values(array_filter($rows, \is_array(...)));
            $isTimed = $heard->asked->isLive() && $heard->at->isClocked();
            $clock = $isTimed ? Stamps::moments($answers, 'stepWaits')[$heard->at->step->id] ?? null : null;
            $filling = new TakenRows($number, $how, $clock);
            $answers[$readings->name] = $filling->in($rows === [] ? $heard->at->presets() : $rows, $ofRows);
        }
        $answers['at'] ??= $taken[0]->samples[0]->at->format(\DATE_ATOM);

        return $answers;
    }

    private function file(string $number, Draft $draft, Heard $heard, \DateTimeImmutable $until, User $by): KeptFile
    {
        $record = [
            'name' => \sprintf('lines-%s-%s.txt', $heard->at->step->id, $number),
            'type' => KeptFiles::LINES,
            'place' => $heard->at->step->readings->name ?? $heard->at->step->id,
            KeptFiles::LINES_TOLD => KeptLines::told($heard, $until),
            'by' => $by->code,
            'at' => $this->clock->now()->format(\DATE_ATOM),
        ];

        return KeptFile::of($number, [FileOf::Draft->value, $draft->id], $record, $heard->bytes, $by->code, $this->clock->now());
    }
}
