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
#[AsCommand('footnote:recall:what-if', 'Works out what a recall that somebody asked about would change.', hidden: true)]
final class WhatIfCommand extends Command
{
    public function __construct(private readonly AskedWhatIf $asked)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('id', InputArgument::REQUIRED, 'under which it was asked');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $id = $input->getArgument('id');
        $this->asked->run(\is_string($id) ? $id : '');

        return self::SUCCESS;
    }
}
