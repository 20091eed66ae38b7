<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\ShippedLibrary;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints what comes with a release and may stand under a figure without being in the record. */
#[AsCommand('footnote:library', 'Prints the criteria, limits, library entries and policies that come with Footnote, as JSON.')]
final class LibraryCommand extends Command
{
    public function __construct(private readonly ShippedLibrary $library)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->writeln($this->library->json());

        return Command::SUCCESS;
    }
}
