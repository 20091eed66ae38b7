<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Symfony\Component\DependencyInjection\Attribute\Exclude;
use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A person who is signed in. A session holds it without the password. */
#[Exclude]
final readonly class User implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    /**
     * @param non-empty-string     $name
     * @param non-empty-list<Role> $roles
     * @param int                  $sessions number of the sessions that count
     */
    public function __construct(
        public string $name,
        public string $code,
        public array $roles,
        private int $sessions,
        #[\SensitiveParameter]
        private string $password = '',
    ) {
    }

    /** In whose place what takes time is done, where nobody is there. */
    public static function nobody(): self
    {
        return new self('nobody', '', [Role::Reader], 0);
    }

    public function has(Role $role): bool
    {
        return \in_array($role, $this->roles, true);
    }

    /** Whether the person may write anything down: whoever is more than a reader. */
    public function records(): bool
    {
        return $this->roles !== [Role::Reader];
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function getRoles(): array
    {
        return array_map(static fn (Role $role): string => $role->security(), $this->roles);
    }

    public function getUserIdentifier(): string
    {
        return $this->name;
    }

    /** Whether a session of this one still counts: what the person may do, and the number of sessions, are the same. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self
            && $user->name === $this->name
            && $user->roles === $this->roles
            && $user->sessions === $this->sessions;
    }

    /** Nothing to erase; called by the framework. */
    public function eraseCredentials(): void
    {
    }

    /**
     * A session of an earlier release is nobody's any more: it says to sign in again.
     *
     * @param array<mixed> $told
     */
    public function __unserialize(array $told): void
    {
        $roles = \is_array($told['roles'] ?? null) ? $told['roles'] : [];
        $roles = array_filter($roles, static fn (mixed $one): bool => $one instanceof Role);
        $this->name = \is_string($told['name'] ?? null) && $told['name'] !== '' ? $told['name'] : 'nobody';
        $this->code = \is_string($told['code'] ?? null) ? $told['code'] : '';
        $this->roles = $roles === [] ? [Role::Reader] : array_values($roles);
        $this->sessions = \is_int($told['sessions'] ?? null) ? $told['sessions'] : -1;
        $this->password = '';
    }

    /** @return array<string, mixed> */
    public function __serialize(): array
    {
        return ['name' => $this->name, 'code' => $this->code, 'roles' => $this->roles, 'sessions' => $this->sessions];
    }
}
