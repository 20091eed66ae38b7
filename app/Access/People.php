<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Symfony\Component\Security\Core\Exception\UnsupportedUserException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/**
 * The people who may sign in. Asked at every request, so it reads one row and wakes nothing else.
 *
 * @implements UserProviderInterface<User>
 */
final readonly class People implements UserProviderInterface
{
    public function __construct(private Connection $connection)
    {
    }

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $row = $this->connection->fetchAssociative('SELECT name, role, code, password FROM person WHERE name = ?', [$identifier]);
        $role = $row === false ? null : Role::tryFrom(Cells::text($row, 'role'));
        if ($row === false || $role === null) {
            $problem = new UserNotFoundException();
            $problem->setUserIdentifier($identifier);
            throw $problem;
        }
        $user = new User(Cells::text($row, 'name'), $role, Cells::text($row, 'code'));
        $user->choosePassword(Cells::text($row, 'password'));

        return $user;
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        return $user instanceof User ? $this->loadUserByIdentifier($user->getUserIdentifier()) : throw new UnsupportedUserException();
    }

    public function supportsClass(string $class): bool
    {
        return $class === User::class;
    }
}
