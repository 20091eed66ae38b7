<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A person who signs in. The code is what stands under numbers; no names of people are kept. */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'person')]
class User implements UserInterface, PasswordAuthenticatedUserInterface
{
    #[ORM\Column]
    private string $password = '';

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $name,
        #[ORM\Column(length: 20, enumType: Role::class)]
        public readonly Role $role,
        #[ORM\Column(length: 20)]
        public readonly string $code,
    ) {
        if ($name === '') {
            throw new \InvalidArgumentException('A person has a name to sign in with.');
        }
    }

    public function choosePassword(string $hash): void
    {
        $this->password = $hash;
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function getRoles(): array
    {
        return [$this->role->security()];
    }

    public function getUserIdentifier(): string
    {
        \assert($this->name !== '');

        return $this->name;
    }

    /** Nothing to erase; called by the framework. */
    public function eraseCredentials(): void
    {
    }
}
