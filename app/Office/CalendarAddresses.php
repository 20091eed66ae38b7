<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\People;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/**
 * The addresses under which calendars ask for what falls due, without signing in. The secret part of one is told once and kept as a
 * digest. It answers until somebody ends it, or until whoever made it may write nothing down any more.
 */
final readonly class CalendarAddresses
{
    public const MADE = 'calendar address made';
    public const ENDED = 'calendar address ended';

    /** So many of one person answer at a time. */
    private const MOST = 20;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private People $people,
        private Logbook $logbook,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the secret part of the address, which can be told only now */
    public function make(User $by, Fields $told): string
    {
        $title = $told->text('title');
        if (mb_strlen($title) > 80) {
            throw Problem::field('/title', 'may have 80 characters at most.');
        }
        $choice = CalendarChoice::asked($told, $this->known());
        $secret = bin2hex(random_bytes(24));
        $entry = ['title' => $title, 'by' => $choice->by, 'kit' => $choice->kit, 'of' => $choice->person];
        $kept = $this->journal->during($by->code, self::MADE, $entry, function () use ($by, $title, $choice, $secret): string {
            $own = $this->entities->getRepository(CalendarAddress::class)->findBy(['person' => $by->name, 'endedAt' => null]);
            if (\count($own) >= self::MOST) {
                throw new Problem(409, \sprintf('%d addresses of yours answer already. End one first; nothing was made.', self::MOST));
            }
            $address = new CalendarAddress($by->name, $title, self::digest($secret), $choice, $this->clock->now());
            $this->entities->persist($address);

            return $address->digest;
        });
        if ($kept !== self::digest($secret)) {
            // It was asked for before, and the answer that told the secret was lost.
            throw new Problem(409, 'The address was made, and its secret was told in an answer that was lost. End it, and make another.');
        }

        return $secret;
    }

    /** @return list<CalendarAddress> that answer: of a steward everybody's, else one's own; the newest first */
    public function of(User $user): array
    {
        return $this->entities->getRepository(CalendarAddress::class)->findBy(
            ['endedAt' => null, ...($user->has(Role::Steward) ? [] : ['person' => $user->name])],
            ['id' => 'DESC'],
        );
    }

    /** @throws Problem where there is none of that number that the person may end */
    public function end(User $by, int $id): void
    {
        $mine = array_values(array_filter($this->of($by), static fn (CalendarAddress $one): bool => $one->id === $id));
        $address = $mine[0] ?? throw Problem::missing('An address of that number that you may end');
        $entry = ['title' => $address->title, 'person' => $address->person];
        $this->journal->during($by->code, self::ENDED, $entry, function () use ($id): void {
            $this->entities->find(CalendarAddress::class, $id)?->end($this->clock->now());
        });
    }

    /** @return CalendarAddress|null null where nothing answers under that secret */
    public function under(#[\SensitiveParameter] string $secret): ?CalendarAddress
    {
        $asked = ['digest' => self::digest($secret), 'endedAt' => null];
        $address = $this->entities->getRepository(CalendarAddress::class)->findOneBy($asked);

        return $address !== null && $this->people->find($address->person)?->records() === true ? $address : null;
    }

    /** @return list<string> */
    private function known(): array
    {
        return array_map(
            static fn (array $record): string => Cells::text($record, 'id'),
            array_merge(array_values($this->logbook->instrumentRecords()), array_values($this->logbook->referenceRecords())),
        );
    }

    private static function digest(#[\SensitiveParameter] string $secret): string
    {
        return hash('sha256', 'calendar '.$secret);
    }
}
