<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Refusal\Problem;
use Footnote\App\Report\CampaignPackage;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Packs a campaign for whoever reads it without Footnote. */
#[AsCommand('footnote:package', 'Packs a campaign with its results, digests and the script that works them out again, as a ZIP.')]
final class PackageCommand extends Command
{
    public function __construct(private readonly CampaignPackage $package)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::REQUIRED, 'code of the campaign')
            ->addArgument('file', InputArgument::REQUIRED, 'a file that does not exist yet, its name ending with .zip');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $campaign = $input->getArgument('campaign');
        $file = $input->getArgument('file');
        if (!\is_string($campaign) || !\is_string($file) || file_exists($file) || !str_ends_with($file, '.zip')) {
            $output->writeln('The file exists already, or its name does not end with .zip; nothing was written.');

            return self::INVALID;
        }
        try {
            $runs = $this->package->zip($campaign, $file);
        } catch (Problem $problem) {
            $output->writeln($problem->getMessage());

            return self::INVALID;
        }
        $output->writeln(\sprintf('Packed %d runs to %s.', $runs, $file));

        return self::SUCCESS;
    }
}
