<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\Workings;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Works every run of a campaign out afresh, so that its views answer at once, and says how long that took. */
#[AsCommand('footnote:work-out', 'Works every run of a campaign out afresh under its policy.')]
final class WorkOutCommand extends Command
{
    public function __construct(
        private readonly Campaigns $campaigns,
        private readonly Workings $workings,
        private readonly Judging $judging,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::REQUIRED, 'code of the campaign')
            ->addOption('judge-only', null, InputOption::VALUE_NONE, 'judge, and keep nothing of it');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $campaign = $input->getArgument('campaign');
        $policy = \is_string($campaign) ? $this->campaigns->policyOfCampaign($campaign) : null;
        if (!\is_string($campaign) || $policy === null) {
            $output->writeln('There is no such campaign.');

            return self::INVALID;
        }
        $runs = $this->campaigns->runs($campaign);
        $began = hrtime(true);
        if ($input->getOption('judge-only') === true) {
            foreach (array_chunk($runs, 50) as $some) {
                $this->judging->judge($some, $policy);
            }
        } else {
            $this->workings->workOut($runs, $policy, true);
        }
        $milliseconds = (hrtime(true) - $began) / 1e6;
        $output->writeln(\sprintf('%d runs worked out, %.3f ms each.', \count($runs), $runs === [] ? 0.0 : $milliseconds / \count($runs)));

        return self::SUCCESS;
    }
}
