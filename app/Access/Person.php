<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\Mapping as ORM;
use Footnote\App\Storage\Bound;

/**
 * Who was once let in: a name to sign in with, and the code that stands under numbers. No names of people are kept. What the
 * person may do now stands in {@see AccessWord}s, the password in {@see PersonSecret}.
 */
#[ORM\Entity]
#[Bound]
#[ORM\Table(name: 'person')]
class Person
{
    /** Empty: it stood here in logbooks from before secrets were kept apart, and evidence is not changed. */
    #[ORM\Column]
    public readonly string $password;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $name,
        /** Held at first. */
        #[ORM\Column(length: 20, enumType: Role::class)]
        public readonly Role $role,
        #[ORM\Column(length: 20)]
        public readonly string $code,
    ) {
        $this->password = '';
    }
}
