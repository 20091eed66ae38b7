<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** Which runs of the ledger are wanted. */
final readonly class LedgerChoice
{
    /**
     * @param string    $verdict proposed; empty: any
     * @param bool|null $decided null: either
     */
    public function __construct(
        public string $campaign = '',
        public string $instrument = '',
        public string $verdict = '',
        public ?bool $decided = null,
    ) {
    }

    /** @return array{string, list<string>} a condition on runs r, whatever their verdict, and its values */
    public function runs(): array
    {
        $where = '1 = 1';
        $values = [];
        foreach (['r.campaign_id = ?' => $this->campaign, 'r.instrument_id = ?' => $this->instrument] as $condition => $value) {
            if ($value !== '') {
                $where .= ' AND '.$condition;
                $values[] = $value;
            }
        }
        if ($this->decided !== null) {
            $where .= ' AND '.($this->decided ? '' : 'NOT ').'EXISTS (SELECT 1 FROM decision d WHERE d.run_id = r.id)';
        }

        return [$where, $values];
    }
}
