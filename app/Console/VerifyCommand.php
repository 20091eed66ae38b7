<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Journal\Journal;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:journal:verify', 'Walks the journal, holds every row of evidence against it, and says what does not hold.')]
final class VerifyCommand extends Command
{
    /** So many faults are told; whoever has more looks at the first ones first. */
    private const TOLD = 50;

    public function __construct(private readonly Journal $journal, private readonly EvidenceCheck $evidence)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $found = $this->journal->verify();
        if ($found['fault'] === null) {
            $since = $this->evidence->since();
            $output->writeln(\sprintf('The journal holds: %d entries.', $found['entries']));
            $output->writeln(
                $since === null
                    ? 'No row of evidence is bound yet: those that there are will be, at the next use.'
                    : \sprintf('Every row of evidence is as the journal says; rows are bound from entry %d on.', $since),
            );

            return self::SUCCESS;
        }
        $output->writeln(
            \sprintf('<error>The journal does not hold: %s. %d entries before it hold.</error>', $found['fault'], $found['entries']),
        );
        $told = 0;
        foreach ($this->evidence->faults() as $fault) {
            if (++$told > self::TOLD) {
                $output->writeln('And more.');
                break;
            }
            $output->writeln($fault.'.');
        }

        return self::FAILURE;
    }
}
