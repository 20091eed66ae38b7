<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Access\LetIn;
use Footnote\App\Access\People;
use Footnote\App\Access\Role;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** What a steward does to people in the interface, for whoever keeps the machine. */
#[AsCommand('footnote:person', 'Lists people, or changes what one may do: roles, end, code, sign-out.')]
class PersonCommand extends Command
{
    public function __construct(private readonly People $people, private readonly LetIn $letIn)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::OPTIONAL, 'whom; without it everybody is listed')
            ->addOption('roles', null, InputOption::VALUE_REQUIRED, 'holds these from now on, with commas between')
            ->addOption('end', null, InputOption::VALUE_NONE, 'access ends')
            ->addOption('code', null, InputOption::VALUE_NONE, 'a one-time code in place of the password')
            ->addOption('sign-out', null, InputOption::VALUE_NONE, 'signs out everywhere')
            ->addOption('reason', null, InputOption::VALUE_REQUIRED, 'stands in the journal; asked for with --roles and --end');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = $input->getArgument('name');
        if (!\is_string($name)) {
            return $this->list($output);
        }
        $roles = $input->getOption('roles');
        $reason = $input->getOption('reason');
        $reason = \is_string($reason) ? trim($reason) : '';
        try {
            if (\is_string($roles)) {
                $this->letIn->change('console', $name, AddPersonCommand::roles(explode(',', $roles)), $reason);
                $output->writeln(\sprintf('%s holds %s from now on.', $name, $roles));
            } elseif ($input->getOption('end') === true) {
                $this->letIn->change('console', $name, [], $reason);
                $output->writeln(\sprintf('%s may not sign in any more.', $name));
            } elseif ($input->getOption('code') === true) {
                $output->writeln('One-time code, to be told to nobody else: '.$this->letIn->invited('console', $name)->written);
            } elseif ($input->getOption('sign-out') === true) {
                $this->letIn->signOutEverywhere('console', $name);
                $output->writeln(\sprintf('%s is signed out everywhere.', $name));
            } else {
                $output->writeln('<error>Say what is to be done: --roles, --end, --code or --sign-out.</error>');

                return self::INVALID;
            }
        } catch (Problem $problem) {
            $output->writeln('<error>'.$problem->getMessage().'</error>');

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function list(OutputInterface $output): int
    {
        foreach ($this->people->all() as $row) {
            $roles = array_map(static fn (Role $role): string => $role->value, People::roles($row, 'roles'));
            $output->writeln(\sprintf(
                '%s  %s  %s%s',
                Cells::text($row, 'name'),
                Cells::text($row, 'code'),
                $roles === [] ? 'access ended' : implode(', ', $roles),
                Cells::text($row, 'has_password') === '1' ? '' : ', no password yet',
            ));
        }

        return self::SUCCESS;
    }
}
