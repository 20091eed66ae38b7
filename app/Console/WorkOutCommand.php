<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\Ledger;
use Footnote\App\Logbook\Release;
use Footnote\App\Logbook\Workings;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Works runs out before anybody asks, so that views answer at once: a campaign's afresh, or whatever waits. */
#[AsCommand('footnote:work-out', 'Works out every run of a campaign afresh, or whatever waits of all.')]
final class WorkOutCommand extends Command
{
    /** Seconds between two looks where nothing waits. */
    private const PAUSE = 2;

    /** Some at a time, so that what comes meanwhile does not wait for all. */
    private const AT_ONCE = 500;

    public function __construct(
        private readonly Campaigns $campaigns,
        private readonly Workings $workings,
        private readonly Judging $judging,
        private readonly Ledger $ledger,
        private readonly Release $release,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::OPTIONAL, 'code of the campaign; without it whatever waits of all campaigns')
            ->addOption('judge-only', null, InputOption::VALUE_NONE, 'judge, and keep nothing of it')
            ->addOption('follow', null, InputOption::VALUE_NONE, 'go on with whatever comes, until it is stopped');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $this->release->follow();
        $campaign = $input->getArgument('campaign');
        if ($campaign === null) {
            do {
                $count = $this->ledger->fillIn(self::AT_ONCE);
                if ($count > 0 || $input->getOption('follow') !== true) {
                    $output->writeln(\sprintf('%d runs worked out.', $count));
                }
                if ($count === 0 && $input->getOption('follow') === true) {
                    sleep(self::PAUSE);
                }
            } while ($input->getOption('follow') === true);

            return self::SUCCESS;
        }
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
