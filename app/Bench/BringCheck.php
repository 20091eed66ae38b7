<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Meanwhile;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Sheet\ModelSheet;
use Symfony\Component\Uid\Ulid;

/**
 * A check that was walked where no server answered is brought as a half-done one with all its answers; accepting it follows. What
 * somebody did to the unit meanwhile is shown first, and a person decides: nothing of another's is answered or closed by it.
 */
final readonly class BringCheck
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Drafts $drafts,
        private Logbook $logbook,
        private BeginCheck $begin,
        private Meanwhile $meanwhile,
        private ModelSheets $sheets,
        private Retirements $retirements,
        private Formats $families,
        private SiteClock $site,
    ) {
    }

    /** @throws Problem where it is not taken, and why */
    public function __invoke(User $by, Fields $told, BroughtBy $brought): Draft
    {
        $id = $told->id('instrument');
        $unit = $this->logbook->instrument($id) ?? throw Problem::missing('Instrument '.$id);
        $begun = $told->moment('begun');
        $this->site->refuseFuture($begun, '/begun');
        $this->refuseRetired($unit, $begun);
        $procedure = $told->text('procedure');
        $this->begin->knows($unit, $procedure);
        $this->refuseTimeless($unit, $told->map('answers'));
        $away = $brought->told($this->site->now());
        $answers = [...$this->answers($told, $unit, $procedure, $begun, $brought), BroughtBy::ANSWER => $away];
        // A clock that is ahead says later than it was.
        $since = Span::shift($begun, -max(0, $brought->ahead));
        $kept = $this->journal->during(
            $by->code,
            'check brought',
            ['instrument' => $unit->id, ...$away],
            fn (): string => $this->keep($by, $told, $unit, $begun, $since, $answers),
        );

        return $this->drafts->open($kept);
    }

    /**
     * Within the change that brings it.
     *
     * @param array<string, mixed> $answers
     */
    private function keep(
        User $by,
        Fields $told,
        Instrument $unit,
        \DateTimeImmutable $begun,
        \DateTimeImmutable $since,
        array $answers,
    ): string {
        $own = $told->optionalText('draft', 40) ?? '';
        $this->refuseUnseen($by, $told, $unit, $since, $own);
        $draft = $own === '' ? new Draft((string) new Ulid(), $unit->id, $by->code, $begun) : $this->goneOnWith($own, $told, $unit);
        $typed = Typists::after($draft->answers(), $answers, $draft->typed(), $by->code);
        if ($own === '') {
            $draft->answer($answers, $typed);
            $this->entities->persist($draft);
        } else {
            $this->drafts->answer($draft, [...$answers, ...Stamps::own($draft->answers())], $typed, $draft->version(), 'nothing was taken');
        }

        return $draft->id;
    }

    /** The half-done check that it began as, where nobody answered or closed it meanwhile. */
    private function goneOnWith(string $id, Fields $told, Instrument $unit): Draft
    {
        $draft = $this->entities->find(Draft::class, $id);
        if ($draft === null || $draft->instrument !== $unit->id) {
            throw Problem::missing('This half-done check');
        }
        $became = match (true) {
            $draft->isClosed() && $draft->check() !== null => 'was accepted as '.$draft->check(),
            $draft->isClosed() => 'was put away',
            $draft->version() !== (int) $told->optionalNumber('version', 1, 1e9) => 'was answered elsewhere',
            default => null,
        };
        if ($became !== null) {
            throw new Problem(
                409,
                \sprintf('The half-done check that this one goes on with %s meanwhile. Nothing was taken.', $became),
                [['field' => '/draft', 'problem' => \sprintf('%s meanwhile; this one can stand as a check of its own.', $became)]],
            );
        }

        return $draft;
    }

    /** What others did to the unit is looked at before this one is taken beside it. */
    private function refuseUnseen(User $by, Fields $told, Instrument $unit, \DateTimeImmutable $since, string $own): void
    {
        $seen = $told->texts('seen');
        $zone = $this->site->zone();
        $unseen = [];
        foreach ($this->meanwhile->of($unit->id, $since, $by->code, $own) as $thing) {
            if (!\in_array($thing['id'], $seen, true)) {
                $unseen[] = [
                    'field' => '/seen/'.$thing['id'],
                    'problem' => \sprintf(
                        '%s of %s, %s',
                        $thing['what'],
                        $thing['by'],
                        (new \DateTimeImmutable($thing['at']))->setTimezone($zone)->format('j M Y, H:i'),
                    ),
                ];
            }
        }
        if ($unseen !== []) {
            throw new Problem(
                409,
                \sprintf('Something else was done to %s meanwhile. Nothing was taken: look at it, and decide.', $unit->id),
                $unseen,
            );
        }
    }

    /**
     * Nobody knows here when it was read: the moment at which it is brought is not it.
     *
     * @param array<string, mixed> $answers
     */
    private function refuseTimeless(Instrument $unit, array $answers): void
    {
        if (!\is_string($answers['at'] ?? null) && DraftCheck::holdsReadings($this->families, $unit->family, $answers)) {
            throw Problem::field('/answers/at', 'is missing: when was the first reading made?');
        }
    }

    /** What was done before it went out of use is evidence. */
    private function refuseRetired(Instrument $unit, \DateTimeImmutable $begun): void
    {
        $retired = $this->retirements->instruments()['='.$unit->id] ?? null;
        if ($retired !== null && new \DateTimeImmutable($retired['at']) <= $begun) {
            $this->retirements->refuseInstrument($unit->id, '/instrument');
        }
    }

    /** @return array<string, mixed> */
    private function answers(Fields $told, Instrument $unit, string $procedure, \DateTimeImmutable $begun, BroughtBy $brought): array
    {
        $until = Span::shift($this->site->now(), (float) max(1, $brought->ahead + 1));
        // One that another took the place of since is walked to the end, as at any half-done check.
        $known = array_filter($this->sheets->all()->sheets, static fn (ModelSheet $one): bool => $one->isOf($unit->family, $unit->model));
        $codes = array_map(static fn (ModelSheet $one): string => $one->code, $known);
        $sheets = $told->texts('sheets');
        foreach ($sheets as $code) {
            if (!\in_array($code, $codes, true)) {
                throw Problem::field('/sheets', \sprintf('%s is no model sheet of a %s.', $code, $unit->model));
            }
        }

        return [
            ...Stamps::brought($told->map('answers'), Span::shift($begun, -1.0), $until),
            'procedure' => $procedure,
            ...($sheets === [] ? [] : [ModelSheets::ANSWER => $sheets]),
        ];
    }
}
