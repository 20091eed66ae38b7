<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Backup\BackupFailed;
use Footnote\App\Backup\Move;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:move', 'Moves a logbook into a database of another kind: all of it, or nothing.')]
final class MoveCommand extends Command
{
    public function __construct(private readonly Move $move)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('from', InputArgument::REQUIRED, 'address of the logbook, to which nobody writes meanwhile')
            ->addArgument('to', InputArgument::REQUIRED, 'address of an empty database');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $from = $input->getArgument('from');
        $to = $input->getArgument('to');
        \assert(\is_string($from) && \is_string($to));
        try {
            $said = ($this->move)($from, $to, static function (string $table, int $rows) use ($output): void {
                $output->writeln(\sprintf('%s: %d rows', $table, $rows), OutputInterface::VERBOSITY_VERBOSE);
            });
        } catch (BackupFailed $problem) {
            $output->writeln('<error>Nothing was moved: '.$problem->getMessage().'</error>');

            return self::FAILURE;
        }
        $output->writeln($said);
        $output->writeln('Done. Set FOOTNOTE_DATABASE_URL to the new address, and keep the old logbook as it is.');

        return self::SUCCESS;
    }
}
