<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** What a person decided about a result, with what was seen then, frozen. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'decision')]
#[ORM\Index(name: 'decision_run', columns: ['run_id', 'id'])]
class Decision
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(length: 20)]
        public readonly string $verdict,
        #[ORM\Column(length: 20)]
        public readonly string $proposed,
        #[ORM\Column(type: 'text')]
        public readonly string $reason,
        #[ORM\Column(name: 'policy_key', length: 60)]
        public readonly string $policy,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        /** @var resource|string */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $snapshot,
        #[ORM\Column(name: 'snapshot_digest', length: 64)]
        public readonly string $snapshotDigest,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
