<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Package\TakenBack;
use Footnote\App\Package\Unpacked;
use Footnote\App\Record\Importer;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:import', 'Takes a record or a package into the logbook, all of it or none.')]
final class ImportCommand extends Command
{
    public function __construct(
        private readonly Importer $importer,
        private readonly TakenBack $takenBack,
        private readonly string $projectDir,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a record, or a package, its name ending with .zip (docs/formats.md)');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $path = $input->getArgument('file');
        $path = \is_string($path) ? $path : '';
        try {
            $package = str_ends_with($path, '.zip') ? Unpacked::open($path) : null;
            $record = $package === null ? RecordFile::open($path, $this->projectDir) : $package->record($this->projectDir);
            $counts = $this->importer->import($record, 'console');
        } catch (InvalidRecord|Problem $problem) {
            $output->writeln('Nothing was imported. '.$problem->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::INVALID;
        }
        $output->writeln(\sprintf('Imported %d instruments, %d references, %d checks, %d runs.', ...array_values($counts)));
        if ($package === null) {
            return self::SUCCESS;
        }
        $compared = $this->takenBack->compared($package);
        $output->writeln(\sprintf('Of %d runs the same is said here as where they were packed.', $compared['same']));
        if ($compared['otherwise'] === []) {
            return self::SUCCESS;
        }
        $output->writeln('Of these it is not, look at each: '.implode(', ', $compared['otherwise']), OutputInterface::OUTPUT_RAW);

        return self::FAILURE;
    }
}
