<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Backup\BackUp;
use Footnote\App\Backup\BackupFailed;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:backup', 'Writes a copy of the logbook, while it is in use, and holds it against its journal.')]
final class BackupCommand extends Command
{
    public function __construct(private readonly BackUp $backUp)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'that is not there yet');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        \assert(\is_string($file));
        try {
            $said = ($this->backUp)($file);
        } catch (BackupFailed $problem) {
            $output->writeln('<error>No backup was made: '.$problem->getMessage().'</error>');

            return self::FAILURE;
        }
        $output->writeln($said);
        $output->writeln(\sprintf('Done: %s, %s bytes, SHA-256 %s.', $file, filesize($file), hash_file('sha256', $file)));

        return self::SUCCESS;
    }
}
