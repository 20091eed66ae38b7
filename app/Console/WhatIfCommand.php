<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Recall\AskedWhatIf;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Works out what was asked of a recall: the interface starts it beside itself. */
#[AsCommand(AskedWhatIf::COMMAND, 'Works out what a recall that somebody asked about would change.', hidden: true)]
final class WhatIfCommand extends Command
{
    public function __construct(private readonly AskedWhatIf $asked)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('id', InputArgument::REQUIRED, 'under which it was asked')
            ->addArgument('which', InputArgument::OPTIONAL, 'part of the work, from 0: it is printed as lines')
            ->addArgument('of', InputArgument::OPTIONAL, 'into how many parts the work is shared out', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$id, $which, $of] = array_map($input->getArgument(...), ['id', 'which', 'of']);
        $id = \is_string($id) ? $id : '';
        if (!\is_string($which)) {
            $this->asked->run($id);

            return self::SUCCESS;
        }
        foreach ($this->asked->part($id, (int) $which, max(1, \is_string($of) ? (int) $of : 1)) as $line) {
            $output->write($line, false, OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}
