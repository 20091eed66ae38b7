<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;

/** A run as last worked out under a policy. No evidence: it can be made again at any time, and counts until evidence comes. */
#[ORM\Entity]
#[ORM\Table(name: 'worked_run')]
#[ORM\Index(name: 'worked_run_verdict', columns: ['policy_key', 'verdict'])]
class WorkedRun
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'run_id', length: 40)]
        public readonly string $run,
        #[ORM\Id, ORM\Column(name: 'policy_key', length: 60)]
        public readonly string $policy,
        /** The version of the run that it saw: it counts only while that is still the run's. */
        #[ORM\Column(name: 'run_version', options: ['default' => -1])]
        public readonly int $runVersion,
        #[ORM\Column(name: 'campaign_version', options: ['default' => -1])]
        public readonly int $campaignVersion,
        #[ORM\Column(length: 20)]
        public readonly string $verdict,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        /** Digest of what it says. */
        #[ORM\Column(length: 64, options: ['default' => ''])]
        public readonly string $said,
        /** @var array<string, mixed> what the ledger shows */
        #[ORM\Column(type: 'json')]
        public readonly array $summary,
        /** @var array<string, mixed> what policies are compared by */
        #[ORM\Column(type: 'json')]
        public readonly array $school,
        /** @var resource|string */
        #[ORM\Column(type: 'blob')]
        public readonly mixed $body,
    ) {
    }
}
