<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Backup\BackupFailed;
use Footnote\App\Backup\Restore;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:restore', 'Puts a backup in the place of a logbook that is not there; writes over nothing.')]
final class RestoreCommand extends Command
{
    public function __construct(private readonly Restore $restore)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'that footnote:backup wrote');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        \assert(\is_string($file));
        try {
            $output->writeln(($this->restore)($file));
        } catch (BackupFailed $problem) {
            $output->writeln('<error>Nothing was restored: '.$problem->getMessage().'</error>');

            return self::FAILURE;
        }
        $output->writeln('Done.');

        return self::SUCCESS;
    }
}
