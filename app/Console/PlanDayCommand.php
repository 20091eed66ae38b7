<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Planning\PlanDay;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Plans a day that stands in a file as the API takes it: the same wishes for another day are one command. */
#[AsCommand('footnote:plan', 'Plans a day out of a file, such as demo/plans/day.json.')]
final class PlanDayCommand extends Command
{
    public function __construct(private readonly PlanDay $plan)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'what is wanted, as POST /api/plans takes it')
            ->addOption('day', null, InputOption::VALUE_REQUIRED, 'another day than the file names, such as 2026-12-02');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        $text = \is_string($file) && is_file($file) ? file_get_contents($file) : false;
        $asked = $text === false ? null : json_decode($text, true, 32);
        if (!\is_array($asked)) {
            $output->writeln('There is no such file, or it holds no JSON object. Nothing was planned.');

            return self::INVALID;
        }
        $day = $input->getOption('day');
        try {
            $told = Fields::of([...$asked, ...($day === null ? [] : ['day' => $day])]);
            $id = ($this->plan)(new User('console', 'console', [Role::Technician], 0), $told);
        } catch (Problem|InvalidRecord $problem) {
            $output->writeln('Nothing was planned. '.$problem->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::INVALID;
        }
        $output->writeln(\sprintf('%s is planned.', $id));

        return self::SUCCESS;
    }
}
