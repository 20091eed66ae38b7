<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Paper\PrintFailed;
use Footnote\App\Report\Press;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints a report and keeps it: what the interface starts beside itself, and what a person may start on the server. */
#[AsCommand('footnote:report:print', 'Prints an edition of a report, or its draft, so that it can be fetched as a PDF.')]
final class PrintReportCommand extends Command
{
    public function __construct(private readonly Press $press)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('report', InputArgument::REQUIRED, 'number of the report, such as RP-00001')
            ->addArgument('paper', InputArgument::OPTIONAL, 'A4 or Letter', PaperSize::A4->value)
            ->addOption('edition', null, InputOption::VALUE_REQUIRED, 'number of the edition; without it the draft is printed');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $report = $input->getArgument('report');
        $told = $input->getArgument('paper');
        $edition = $input->getOption('edition');
        $paper = \is_string($told) ? PaperSize::tryFrom($told) : null;
        if (!\is_string($report) || $paper === null || ($edition !== null && (!\is_string($edition) || !ctype_digit($edition)))) {
            $output->writeln('Papers are A4 and Letter, an edition is a number; nothing was printed.');

            return self::INVALID;
        }
        try {
            $this->press->run($report, $edition === null ? null : (int) $edition, $paper);
        } catch (PrintFailed $problem) {
            $output->writeln($problem->getMessage());

            return self::FAILURE;
        }
        $output->writeln(\sprintf('%s is printed.', $report));

        return self::SUCCESS;
    }
}
