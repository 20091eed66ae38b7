<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Journal\Journal;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** For a timer of the site, which sends the line elsewhere: by mail, to another machine, to a printer. */
#[AsCommand('footnote:journal:anchor', 'Writes where the journal ends, in one line to be kept elsewhere.')]
final class AnchorCommand extends Command
{
    public function __construct(private readonly Journal $journal)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::OPTIONAL, 'to which the line is added; without it, to the standard output');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $line = $this->journal->anchor()->line();
        $file = $input->getArgument('file');
        if (!\is_string($file)) {
            $output->writeln($line);

            return self::SUCCESS;
        }
        if (@file_put_contents($file, $line."\n", \FILE_APPEND | \LOCK_EX) === false) {
            $output->writeln(\sprintf('<error>%s cannot be written.</error>', $file));

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
