<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\ClientReports;
use Footnote\App\Package\Packer;
use Footnote\App\Package\Packing;
use Footnote\App\Package\PackingFailed;
use Footnote\App\Package\Wanted;
use Footnote\App\Refusal\Problem;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Packs a campaign or a report for whoever reads it without Footnote. */
#[AsCommand(Packer::COMMAND, 'Packs a campaign, or a report of it, with its evidence and the script that works it out again, as a ZIP.')]
final class PackageCommand extends Command
{
    public function __construct(
        private readonly Packing $packing,
        private readonly Packer $packer,
        private readonly ClientReports $reports,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::REQUIRED, 'code of the campaign')
            ->addArgument('file', InputArgument::OPTIONAL, 'a file that does not exist yet, its name ending with .zip; without it the '
                .'package is kept where the interface fetches it')
            ->addOption('report', null, InputOption::VALUE_REQUIRED, 'number of a report of the campaign; of that alone')
            ->addOption('without-files', null, InputOption::VALUE_NONE, 'leaves out photos and documents');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        if ($file !== null && (!\is_string($file) || file_exists($file) || !str_ends_with($file, '.zip'))) {
            $output->writeln('The file exists already, or its name does not end with .zip; nothing was written.');

            return self::INVALID;
        }
        try {
            $wanted = $this->wanted($input);
            if ($file === null) {
                $this->packer->run($wanted);

                return self::SUCCESS;
            }
            $runs = $this->packing->zip($wanted, $file, static fn (): null => null);
        } catch (Problem|PackingFailed $problem) {
            $output->writeln($problem->getMessage());

            return self::INVALID;
        }
        $output->writeln(\sprintf('Packed %d runs to %s.', $runs, $file));

        return self::SUCCESS;
    }

    private function wanted(InputInterface $input): Wanted
    {
        $campaign = $input->getArgument('campaign');
        $campaign = \is_string($campaign) ? $campaign : '';
        $report = $input->getOption('report');
        $files = $input->getOption('without-files') !== true;
        if (!\is_string($report)) {
            return Wanted::ofCampaign($campaign, $files);
        }

        return $this->reports->one($report)['campaign'] === $campaign
            ? Wanted::ofReport($report, $campaign, $files)
            : throw Problem::missing(\sprintf('Report %s of campaign %s', $report, $campaign));
    }
}
