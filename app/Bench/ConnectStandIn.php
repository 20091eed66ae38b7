<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Formats;
use Footnote\Core\StandIn\Fault;
use Psr\Clock\ClockInterface;

/** Puts a stand-in in the place of a practice unit while its check is half done, or takes it away: it is no evidence yet. */
final readonly class ConnectStandIn
{
    public function __construct(
        private Drafts $drafts,
        private Logbook $logbook,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /** @param string $fault one of the stand-in's; empty: nothing is wrong with it */
    public function connect(string $id, string $fault, int $version): Draft
    {
        $draft = $this->drafts->open($id);
        $unit = $this->logbook->instrument($draft->instrument) ?? throw Problem::missing('Instrument '.$draft->instrument);
        if (!$unit->isPractice()) {
            throw new Problem(409, \sprintf(
                '%s is no practice unit: a stand-in takes the place of those alone. Nothing was connected.',
                $unit->id,
            ));
        }
        $seat = StandInSeat::begin($unit, $this->families, $fault === '' ? null : $fault, $this->clock->now())
            ?? throw new Problem(409, 'There is no stand-in for such a unit. Nothing was connected.');
        $known = array_map(static fn (Fault $one): string => $one->id, $seat->standIn->faults());
        if ($fault !== '' && !\in_array($fault, $known, true)) {
            throw Problem::field('/fault', \sprintf('must be one of: %s; or empty.', implode(', ', $known)));
        }

        return $this->keep($draft, [...$draft->answers(), StandInSeat::ANSWER => $seat->told()], $version);
    }

    public function disconnect(string $id, int $version): Draft
    {
        $draft = $this->drafts->open($id);

        return $this->keep($draft, array_diff_key($draft->answers(), [StandInSeat::ANSWER => true]), $version);
    }

    /** @param array<string, mixed> $answers */
    private function keep(Draft $draft, array $answers, int $version): Draft
    {
        return $this->drafts->answer($draft, $answers, $draft->typed(), $version, 'nothing was connected');
    }
}
