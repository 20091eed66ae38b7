<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\Mapping as ORM;

/** Wrong passwords of late, by the name that was tried and where it was tried from. */
#[ORM\Entity]
#[ORM\Table(name: 'sign_in_attempt')]
#[ORM\Index(name: 'sign_in_attempt_key', columns: ['attempt_key', 'tried_at'])]
class SignInAttempt
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\Column(name: 'attempt_key', length: 64)]
        public readonly string $key,
        #[ORM\Column]
        public readonly int $triedAt,
    ) {
    }
}
