<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Doctrine\ORM\Mapping as ORM;

/** Where somebody's calendar asks for what falls due. No evidence: it ends when somebody says so. */
#[ORM\Entity]
#[ORM\Table(name: 'calendar_address')]
#[ORM\UniqueConstraint(name: 'calendar_address_digest', columns: ['digest'])]
class CalendarAddress
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** When it ended; null: it answers. */
    #[ORM\Column(name: 'ended_at', nullable: true)]
    private ?\DateTimeImmutable $endedAt = null;

    /** @var list<string> */
    #[ORM\Column(type: 'json')]
    private array $kit;

    #[ORM\Column(name: 'done_by', length: 20)]
    private string $doneBy;

    /** Of whose planned days it is; null where it is of what falls due. */
    #[ORM\Column(name: 'of_person', length: 80, nullable: true)]
    private ?string $of;

    /**
     * @param string $person who made it: it answers as long as that person may write anything down
     * @param string $digest of the secret part of the address, which is kept nowhere
     */
    public function __construct(
        #[ORM\Column(length: 40)]
        public readonly string $person,
        #[ORM\Column(length: 80)]
        public readonly string $title,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        CalendarChoice $choice,
        #[ORM\Column(name: 'made_at')]
        public readonly \DateTimeImmutable $madeAt,
    ) {
        $this->kit = $choice->kit;
        $this->doneBy = $choice->by;
        $this->of = $choice->person === '' ? null : $choice->person;
    }

    public function choice(): CalendarChoice
    {
        return new CalendarChoice($this->doneBy, $this->kit, $this->of ?? '');
    }

    public function end(\DateTimeImmutable $at): void
    {
        $this->endedAt ??= $at;
    }
}
