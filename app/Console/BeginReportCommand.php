<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\DraftReport;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Begins a report of a campaign, or of some days of it: a draft, which nobody but a person signs. */
#[AsCommand('footnote:report:begin', 'Begins a report of a campaign, as a draft.')]
final class BeginReportCommand extends Command
{
    public function __construct(private readonly DraftReport $draft)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::REQUIRED, 'code of the campaign')
            ->addArgument('title', InputArgument::REQUIRED, 'title of the report')
            ->addArgument('for', InputArgument::REQUIRED, 'who asked for it')
            ->addOption('from', null, InputOption::VALUE_REQUIRED, 'first day, such as 2026-11-17')
            ->addOption('to', null, InputOption::VALUE_REQUIRED, 'last day');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $id = ($this->draft)(new User('console', 'console', [Role::Reader], 0), Fields::of([
                'campaign' => $input->getArgument('campaign'),
                'title' => $input->getArgument('title'),
                'askedBy' => $input->getArgument('for'),
                'from' => $input->getOption('from') ?? '',
                'to' => $input->getOption('to') ?? '',
            ]));
        } catch (Problem|InvalidRecord $problem) {
            $output->writeln($problem->getMessage());

            return self::INVALID;
        }
        $output->writeln(\sprintf('%s is begun.', $id));

        return self::SUCCESS;
    }
}
