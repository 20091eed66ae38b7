<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Footnote\App\Access\User;
use Footnote\App\Files\KeepFile;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\KeptFile;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\Fields;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Sample;
use Footnote\Core\Source\Taking;
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
        private Logbook $logbook,
        private Assessor $assessor,
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
        $until = max(array_map(static fn (array $one): \DateTimeImmutable => $one[1][\count($one[1]) - 1]->at, $taken));
        $this->refuseOld($draft, $heard, $taken, $until);
        $count = array_sum(array_map(static fn (array $one): int => \count($one[1]), $taken));
        $told = ['draft' => $id, 'instrument' => $draft->instrument, 'step' => $step, 'by' => $heard->asked->kind, 'readings' => $count];
        $keep = function () use ($by, $draft, $heard, $taken, $until, $version): Draft {
            try {
                $this->entities->lock($draft, LockMode::OPTIMISTIC, $version);
            } catch (OptimisticLockException) {
                throw new Problem(409, 'This check was answered elsewhere meanwhile. Look at it again; nothing was taken.');
            }
            $number = $this->numbers->next('kept_file', 'F-%05d');
            $answers = $this->answers($draft, $heard, $taken, $number);
            $draft->answer($answers, Typists::after($draft->answers(), $answers, $draft->typed(), $by->code));
            $this->entities->persist($this->file($number, $draft, $heard, $until, $by));

            return $draft;
        };

        return $this->journal->during($by->code, 'lines kept', $told, $keep);
    }

    /** @return non-empty-list<array{Feed, non-empty-list<Sample>}> */
    private function taken(Heard $heard, bool $anyway): array
    {
        if ($heard->by->refusals !== []) {
            throw new Problem(422, implode(' ', $heard->by->refusals).' Nothing was taken.');
        }
        $taken = [];
        $waiting = [];
        foreach ($heard->watched() as [$feed, $watched]) {
            $samples = $watched->last === null ? [] : Taking::from($heard->stretch, $feed);
            if ($samples === []) {
                $waiting[] = $feed->channel.' '.$watched->words;
                continue;
            }
            if ($watched->steady !== true && $feed->steady !== null && !$anyway) {
                throw new Problem(409, \sprintf('%s %s. Nothing was taken.', $feed->channel, $watched->words));
            }
            $taken[] = [$feed, $samples];
        }
        if ($taken === []) {
            $why = $waiting === [] ? 'This step takes no readings from a source' : implode('; ', $waiting);
            throw new Problem(409, $why.'. Nothing was taken.');
        }
        $moments = array_map(static fn (array $one): \DateTimeImmutable => $one[1][\count($one[1]) - 1]->at, $taken);
        if ($this->isOneReading($taken) && Span::secondsBetween(min($moments), max($moments)) > self::TOGETHER) {
            throw new Problem(409, 'The lines of one reading are not all there yet. Nothing was taken.');
        }

        return $taken;
    }

    /** @param non-empty-list<array{Feed, non-empty-list<Sample>}> $taken */
    private function isOneReading(array $taken): bool
    {
        $rows = array_map(static fn (array $one): array => $one[0]->row, $taken);

        return \count($taken) > 1 && \count(array_unique($rows, \SORT_REGULAR)) === 1;
    }

    /**
     * What was taken already is not taken again, and what is of another day is not of this check.
     *
     * @param non-empty-list<array{Feed, non-empty-list<Sample>}> $taken
     */
    private function refuseOld(Draft $draft, Heard $heard, array $taken, \DateTimeImmutable $until): void
    {
        foreach ($this->files->of(FileOf::Draft, $draft->id) as $file) {
            $lines = $file[KeptFiles::LINES_TOLD] ?? null;
            if (\is_array($lines) && ($lines['step'] ?? null) === $heard->step->id && \is_string($lines['until'] ?? null)
                && new \DateTimeImmutable($lines['until']) >= $until) {
                throw new Problem(409, 'Nothing new has come since the last reading. Nothing was taken.');
            }
        }
        if ($until > Span::shift($heard->by->now, 60)) {
            throw new Problem(422, \sprintf(
                'These lines say %s, which is yet to come: is the clock of the instrument off? Nothing was taken.',
                $until->setTimezone($heard->by->now->getTimezone())->format('j M Y H:i'),
            ));
        }
        if (!$heard->asked->isLive()) {
            self::refuseOtherDay($draft->answers()['at'] ?? null, $until, $heard->by->now);
        }
    }

    /** Lines that nobody saw come are of when they say: of this check, where it holds a reading already. */
    private static function refuseOtherDay(mixed $begun, \DateTimeImmutable $until, \DateTimeImmutable $now): void
    {
        $at = static fn (\DateTimeImmutable $one): string => $one->setTimezone($now->getTimezone())->format('j M Y H:i');
        $begun = \is_string($begun) ? date_create_immutable($begun) : false;
        if ($begun !== false && abs(Span::secondsBetween($begun, $until)) > self::APART) {
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
     * @param non-empty-list<array{Feed, non-empty-list<Sample>}> $taken
     *
     * @return array<string, mixed>
     */
    private function answers(Draft $draft, Heard $heard, array $taken, string $number): array
    {
        $answers = $draft->answers();
        $reference = Cells::text($answers, 'reference');
        $bench = $this->assessor->family($heard->unit->family)->bench();
        $chosen = $this->logbook->references($reference === '' ? [] : [$reference])[$reference] ?? null;
        $setting = Cells::text($answers, 'setting');
        $columns = Entry::names($bench->columns($heard->step, $heard->unit, $chosen, $setting));
        $ofRows = array_values(array_filter($taken, static fn (array $one): bool => \in_array($one[0]->column, $columns, true)));
        if ($ofRows !== [] && $heard->step->readings !== null) {
            $into = $heard->step->readings->name;
            $rows = \is_array($answers[$into] ?? null) ? array_values(array_filter($answers[$into], \is_array(...))) : [];
            $how = $heard->isSimulated() ? Provenance::Simulated : Provenance::Instrument;
            $isTimed = $heard->asked->isLive() && $heard->step->readings->clocked;
            $clock = $isTimed ? Stamps::moments($answers, 'stepWaits')[$heard->step->id] ?? null : null;
            $filling = new TakenRows($number, $how, $clock);
            $begins = $rows === [] ? $bench->presets($heard->step, $heard->unit, $chosen, $setting) : $rows;
            $answers[$into] = $filling->in($begins, $ofRows);
        }
        foreach ($taken as [$feed, $samples]) {
            if (!\in_array($feed->column, $columns, true)) {
                $last = $samples[\count($samples) - 1];
                $answers[$feed->column] = $feed->measured
                    ? ['value' => $last->value->written, 'unit' => $last->in]
                    : $last->value->written;
            }
        }
        $answers['at'] ??= $taken[0][1][0]->at->format(\DATE_ATOM);

        return $answers;
    }

    private function file(string $number, Draft $draft, Heard $heard, \DateTimeImmutable $until, User $by): KeptFile
    {
        if (\count($this->files->of(FileOf::Draft, $draft->id)) >= KeepFile::MOST) {
            throw new Problem(
                409,
                \sprintf('A check has at most %d files, its stretches of lines among them. Nothing was taken.', KeepFile::MOST),
            );
        }
        $record = [
            'name' => \sprintf('lines-%s-%s.txt', $heard->step->id, $number),
            'type' => KeptFiles::LINES,
            'place' => $heard->step->readings->name ?? $heard->step->id,
            KeptFiles::LINES_TOLD => KeptLines::told($heard, $until),
            'by' => $by->code,
            'at' => $this->clock->now()->format(\DATE_ATOM),
        ];

        return KeptFile::of($number, [FileOf::Draft->value, $draft->id], $record, $heard->bytes, $by->code, $this->clock->now());
    }
}
