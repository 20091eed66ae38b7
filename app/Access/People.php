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
    private const PERSON = 'SELECT p.name, p.code, p.role, s.password, s.sessions,'
        .' (SELECT a.roles FROM access_word a WHERE a.person = p.name ORDER BY a.id DESC LIMIT 1) AS said'
        .' FROM person p LEFT JOIN person_secret s ON s.person = p.name';

    public function __construct(private Connection $connection)
    {
    }

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $user = $this->find($identifier);
        // Whoever has no password yet, or may do nothing any more, is a stranger at the door.
        if ($user === null || $user->getPassword() === '') {
            $problem = new UserNotFoundException();
            $problem->setUserIdentifier($identifier);
            throw $problem;
        }

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

    /** Somebody who may sign in or will, once a password is chosen; null where nobody of that name may do anything. */
    public function find(string $name): ?User
    {
        $row = $this->connection->fetchAssociative(self::PERSON.' WHERE p.name = ?', [$name]);

        return $row === false ? null : self::user($row);
    }

    public function isAnybodyThere(): bool
    {
        return $this->connection->fetchOne('SELECT 1 FROM person LIMIT 1') !== false;
    }

    /** Whether somebody else may keep people: a steward who has a password. */
    public function hasStewardBeside(string $name): bool
    {
        foreach ($this->connection->fetchAllAssociative(self::PERSON.' WHERE p.name <> ?', [$name]) as $row) {
            $user = self::user($row);
            if ($user !== null && $user->getPassword() !== '' && $user->has(Role::Steward)) {
                return true;
            }
        }

        return false;
    }

    /** Whether somebody was ever let in by that name, whatever its case. */
    public function isNamed(string $name): bool
    {
        return $this->connection->fetchOne('SELECT 1 FROM person WHERE LOWER(name) = LOWER(?)', [$name]) !== false;
    }

    /** Whether a code stands under somebody's numbers already, whatever its case. */
    public function isTaken(string $code): bool
    {
        return $this->connection->fetchOne('SELECT 1 FROM person WHERE LOWER(code) = LOWER(?)', [$code]) !== false;
    }

    /**
     * Everybody who was ever let in, with what was said of them last.
     *
     * @return list<array<string, mixed>> name, code, role, roles, reason, recorded_by, recorded_at, password (whether), code_until
     */
    public function all(): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT p.name, p.code, p.role, a.roles, a.reason, a.recorded_by, a.recorded_at,'
                ." CASE WHEN s.password <> '' THEN 1 ELSE 0 END AS has_password,"
                ." CASE WHEN s.code_digest <> '' THEN s.code_until END AS code_until"
                .' FROM person p LEFT JOIN person_secret s ON s.person = p.name LEFT JOIN access_word a ON a.id ='
                .' (SELECT MAX(w.id) FROM access_word w WHERE w.person = p.name) ORDER BY p.name',
        );
    }

    /**
     * What a person may do.
     *
     * @param array<string, mixed> $row with the first role, and the roles that were said last
     *
     * @return list<Role>
     */
    public static function roles(array $row, string $said): array
    {
        $told = $row[$said] ?? null;
        $words = \is_string($told) ? explode(' ', $told) : [Cells::text($row, 'role')];

        return array_values(array_filter(array_map(Role::tryFrom(...), $words)));
    }

    /** @param array<string, mixed> $row */
    private static function user(array $row): ?User
    {
        $roles = self::roles($row, 'said');
        $name = Cells::text($row, 'name');
        $password = $row['password'] ?? null;

        return $roles === [] || $name === '' ? null : new User(
            $name,
            Cells::text($row, 'code'),
            $roles,
            (int) Cells::text($row, 'sessions'),
            \is_string($password) ? $password : '',
        );
    }
}
