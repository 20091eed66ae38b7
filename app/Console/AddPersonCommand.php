<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Adds a person; on a first start without the demo, the first steward. */
#[AsCommand('footnote:person:add', 'Adds a person who may sign in; asks for what is not given.')]
class AddPersonCommand extends Command
{
    private const SHORTEST_PASSWORD = 12;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly Journal $journal,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::OPTIONAL, 'name to sign in with')
            ->addArgument('role', InputArgument::OPTIONAL, 'reader, technician, hygienist or steward')
            ->addArgument('code', InputArgument::OPTIONAL, 'code that stands under numbers, such as H-1')
            ->addOption('if-none', null, InputOption::VALUE_NONE, 'only when nobody may sign in yet; then a steward');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        if ($input->getOption('if-none') === true) {
            if ($this->entities->getRepository(User::class)->count() > 0) {
                return self::SUCCESS;
            }
            $style->writeln('Nobody may sign in yet. Name the first steward.');
            $input->setArgument('role', Role::Steward->value);
        }
        $ask = static function (string $name, string $question) use ($input, $style): string {
            $value = $input->getArgument($name) ?? $style->ask($question);

            return trim(\is_string($value) ? $value : '');
        };
        $name = $ask('name', 'Name to sign in with');
        $role = Role::tryFrom($ask('role', 'Role (reader, technician, hygienist, steward)'));
        $code = $ask('code', 'Code that stands under numbers');
        $password = getenv('FOOTNOTE_PASSWORD');
        if ($password === false) {
            $password = $style->askHidden('Password');
        }
        $problem = match (true) {
            preg_match('/^[\w.@-]{1,40}$/D', $name) !== 1 => 'The name must be 1 to 40 letters, digits, points, dashes, underscores or @.',
            $role === null => 'The role must be reader, technician, hygienist or steward.',
            preg_match('/^[\w.-]{1,20}$/D', $code) !== 1 => 'The code must be 1 to 20 letters, digits, points or dashes.',
            !\is_string($password)
                || mb_strlen($password) < self::SHORTEST_PASSWORD => \sprintf(
                    'The password must have at least %d characters.',
                    self::SHORTEST_PASSWORD,
                ),
            $this->entities->find(User::class, $name) !== null => 'Somebody signs in with that name already.',
            default => null,
        };
        if ($problem !== null) {
            $style->error($problem.' Nothing was added.');

            return self::FAILURE;
        }
        $user = new User($name, $role, $code);
        $user->choosePassword($this->hasher->hashPassword($user, $password));
        $this->journal->during(
            'console',
            'person added',
            ['name' => $name, 'role' => $role->value, 'code' => $code],
            function () use ($user): void {
                $this->entities->persist($user);
            },
        );
        $style->writeln(\sprintf('%s may sign in as %s.', $name, $role->value));

        return self::SUCCESS;
    }
}
