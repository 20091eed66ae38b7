<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Journal\Journal;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:journal:verify', 'Walks the journal and says whether its chain holds.')]
final class VerifyCommand extends Command
{
    public function __construct(private readonly Journal $journal)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $found = $this->journal->verify();
        if ($found['fault'] !== null) {
            $output->writeln(
                \sprintf('<error>The journal does not hold: %s. %d entries before it hold.</error>', $found['fault'], $found['entries']),
            );

            return self::FAILURE;
        }
        $output->writeln(\sprintf('The journal holds: %d entries.', $found['entries']));

        return self::SUCCESS;
    }
}
