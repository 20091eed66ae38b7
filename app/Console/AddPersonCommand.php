<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Access\ChoosePassword;
use Footnote\App\Access\LetIn;
use Footnote\App\Access\Password;
use Footnote\App\Access\People;
use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ShipPolicies;
use Footnote\App\Refusal\Problem;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;

/** Adds a person; on a first start without the demo, the first one, who holds every role. */
#[AsCommand('footnote:person:add', 'Adds a person who may sign in; asks for what is not given.')]
class AddPersonCommand extends Command
{
    public function __construct(
        private readonly People $people,
        private readonly LetIn $letIn,
        private readonly ChoosePassword $choose,
        private readonly Journal $journal,
        private readonly ShipPolicies $ship,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::OPTIONAL, 'name to sign in with')
            ->addArgument('role', InputArgument::OPTIONAL, 'reader, technician, hygienist or steward; several with commas between')
            ->addArgument('code', InputArgument::OPTIONAL, 'code that stands under numbers, such as H-1')
            ->addOption('one-time-code', null, InputOption::VALUE_NONE, 'the person chooses the password, by a code that is told now')
            ->addOption('if-none', null, InputOption::VALUE_NONE, 'only when nobody may sign in yet; the first holds every role');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        if ($input->getOption('if-none') === true) {
            if ($this->people->isAnybodyThere()) {
                return self::SUCCESS;
            }
            $style->writeln('Nobody may sign in yet. Name the first person, who holds every role:');
            foreach (Role::cases() as $role) {
                $style->writeln(\sprintf('  as %s may %s', $role->value, $role->may()));
            }
            $input->setArgument('role', implode(',', array_map(static fn (Role $role): string => $role->value, Role::cases())));
        }
        $ask = static function (string $name, string $question) use ($input, $style): string {
            $value = $input->getArgument($name) ?? $style->ask($question);

            return trim(\is_string($value) ? $value : '');
        };
        $name = $ask('name', 'Name to sign in with');
        $words = explode(',', $ask('role', 'Role (reader, technician, hygienist, steward; several with commas between)'));
        $code = $ask('code', 'Code that stands under numbers');
        $password = $input->getOption('one-time-code') === true ? null : $this->password($style);
        try {
            if ($password !== null) {
                Password::check($password, $name);
            }
            $oneTime = $this->letIn->add('console', $name, $code, self::roles($words));
            if ($password !== null) {
                $this->choose->set('console', $name, $password, 'console');
            }
            if ($input->getOption('if-none') === true) {
                // What one will be judged by can be read before anything is judged.
                $this->journal->during('console', 'policies taken over', [], fn () => ($this->ship)('console'));
            }
        } catch (Problem $problem) {
            $style->error($problem->getMessage());

            return self::FAILURE;
        }
        $style->writeln(\sprintf('%s may sign in as %s.', $name, implode(' and ', array_map(trim(...), $words))));
        if ($password === null) {
            $style->writeln('One-time code, to be told to nobody else: '.$oneTime->written);
        }

        return self::SUCCESS;
    }

    private function password(SymfonyStyle $style): string
    {
        $password = getenv('FOOTNOTE_PASSWORD');
        if ($password === false) {
            $password = $style->askHidden('Password');
        }

        return \is_string($password) ? $password : '';
    }

    /**
     * @param list<string> $words
     *
     * @return list<Role>
     */
    public static function roles(array $words): array
    {
        return array_map(
            static fn (string $word): Role => Role::tryFrom(trim($word))
                ?? throw Problem::field('/role', 'must be reader, technician, hygienist or steward.'),
            $words,
        );
    }
}
