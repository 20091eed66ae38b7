<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** One version of a policy; versions are added, never changed. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'policy_version')]
class PolicyVersion
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'policy_key', length: 60)]
        public readonly string $key,
        #[ORM\Column(name: 'policy_id', length: 40)]
        public readonly string $policy,
        #[ORM\Column()]
        public readonly int $version,
        /** @var array<string, mixed> complete data */
        #[ORM\Column(type: 'json')]
        public readonly array $data,
        #[ORM\Column(name: 'recorded_by', length: 40)]
        public readonly string $by,
        #[ORM\Column(name: 'recorded_at', type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $recordedAt,
    ) {
    }
}
