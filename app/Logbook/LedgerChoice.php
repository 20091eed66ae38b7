<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** Which runs of the ledger are wanted. */
#[Exclude]
final readonly class LedgerChoice
{
    /**
     * @param string            $verdict proposed; empty: any
     * @param bool|null         $decided null: either
     * @param list<string>      $without units: what is practice waits for nobody's decision
     * @param list<string>|null $runs    by name; null: any
     */
    public function __construct(
        public RunsSought $sought = new RunsSought(),
        public string $verdict = '',
        private ?bool $decided = null,
        private array $without = [],
        private ?array $runs = null,
    ) {
    }

    /** Whether nothing of a campaign is left out but by which it is. */
    public function isOfAll(): bool
    {
        return $this->sought->isOfAll() && $this->verdict === '' && $this->decided === null && $this->runs === null;
    }

    /** @return array{string, list<string>} a condition on states s of runs that count, whatever their verdict, and its values */
    public function runs(AbstractPlatform $platform): array
    {
        $where = "s.campaign_id <> ''";
        $values = [];
        foreach ($this->sought->conditions($platform) as [$condition, $of]) {
            $where .= ' AND '.$condition;
            array_push($values, ...$of);
        }
        foreach ($this->without as $unit) {
            $where .= ' AND s.instrument_id <> ?';
            $values[] = $unit;
        }
        if ($this->runs !== null) {
            $where .= $this->runs === [] ? ' AND 1 = 0' : ' AND s.run_id IN ('.implode(', ', array_fill(0, \count($this->runs), '?')).')';
            $values = [...$values, ...$this->runs];
        }
        if ($this->decided !== null) {
            $where .= ' AND '.($this->decided ? '' : 'NOT ').'EXISTS (SELECT 1 FROM decision d WHERE d.run_id = s.run_id)';
        }

        return [$where, $values];
    }
}
