<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Record\Importer;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:import', 'Takes a record into the logbook, all of it or none.')]
final class ImportCommand extends Command
{
    public function __construct(private readonly Importer $importer, private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a record (docs/formats.md)');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $path = $input->getArgument('file');
            $counts = $this->importer->import(RecordFile::open(\is_string($path) ? $path : '', $this->projectDir), 'console');
        } catch (InvalidRecord|Problem $problem) {
            $output->writeln('Nothing was imported. '.$problem->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::INVALID;
        }
        $output->writeln(\sprintf('Imported %d instruments, %d references, %d checks, %d runs.', ...array_values($counts)));

        return self::SUCCESS;
    }
}
