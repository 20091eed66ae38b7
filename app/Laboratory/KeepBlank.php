<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\KeptBlank;
use Footnote\App\Logbook\Runs;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;

/** A medium is kept as a blank of a campaign: it draws no air. */
final readonly class KeepBlank
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Runs $runs,
        private Touches $touches,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, Fields $told): void
    {
        $medium = $told->text('medium');
        if (mb_strlen($medium) > 60) {
            throw new InvalidRecord('/medium', 'is longer than 60 characters.');
        }
        $campaign = $this->entities->find(Campaign::class, $told->id('campaign'))
            ?? throw Problem::field('/campaign', 'is not in this logbook.');
        $kind = $told->text('kind');
        if (!\in_array($kind, ['field', 'media'], true)) {
            throw new InvalidRecord('/kind', 'must be field or media.');
        }
        $record = array_filter(
            ['medium' => $medium, 'kind' => $kind, 'note' => $told->optionalText('note') ?? ''],
            static fn (string $value): bool => $value !== '',
        );
        $journalled = ['campaign' => $campaign->id, ...$record];
        $this->journal->during($by->code, 'blank kept', $journalled, function () use ($by, $medium, $campaign, $record): void {
            if ($this->entities->find(KeptBlank::class, $medium) !== null) {
                throw Problem::field('/medium', 'is a blank already.');
            }
            $run = $this->runs->ofMedium($medium);
            if ($run !== null) {
                throw Problem::field('/medium', \sprintf('is the medium of run %s: a blank draws no air.', $run));
            }
            $this->entities->persist(new KeptBlank($medium, $campaign->id, $record, $by->code, $this->clock->now()));
            $this->touches->campaign($campaign->id);
        });
    }
}
