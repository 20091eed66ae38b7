<?php

declare(strict_types=1);

namespace Footnote\App\Logbook\Row;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/** A field campaign: where, under which policy, against which criteria and limits. */
#[ORM\Entity]
#[Bound(apart: ['version'])]
#[ORM\Table(name: 'campaign')]
class Campaign
{
    /** @var array<string, mixed> criteria and limits in the record format */
    #[ORM\Column(type: 'json')]
    private array $yardsticks = [];

    #[ORM\Column(name: 'policy_key', length: 60)]
    private string $policy = '';

    /** Whether the policy was changed after results could be seen; printed on every report. */
    #[ORM\Column(name: 'policy_changed')]
    private bool $policyChanged = false;

    /** The journal's sequence of the change that last touched all its runs: limits, libraries. */
    #[ORM\Column(options: ['default' => 0])]
    private int $version = 0;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\Column(length: 200)]
        public readonly string $title,
        #[ORM\Column(length: 200)]
        public readonly string $site,
        #[ORM\Column(length: 60)]
        public readonly string $zone,
    ) {
    }

    public function version(): int
    {
        return $this->version;
    }

    /** @return array<string, mixed> */
    public function yardsticks(): array
    {
        return $this->yardsticks;
    }

    /** @param array<string, mixed> $yardsticks */
    public function measureAgainst(array $yardsticks): void
    {
        $this->yardsticks = $yardsticks;
    }

    /** Key of the policy version, such as "standard-1". */
    public function policy(): string
    {
        return $this->policy;
    }

    public function judgeBy(string $policy, bool $resultsWereSeen): void
    {
        $this->policyChanged = $this->policyChanged || ($resultsWereSeen && $this->policy !== '' && $this->policy !== $policy);
        $this->policy = $policy;
    }

    public function policyWasChanged(): bool
    {
        return $this->policyChanged;
    }
}
