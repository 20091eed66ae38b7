<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\Mapping as ORM;

/** What a person signs in by. No evidence: it changes, and nobody reads it. */
#[ORM\Entity]
#[ORM\Table(name: 'person_secret')]
class PersonSecret
{
    /** Hash of the password; empty: none was chosen yet. */
    #[ORM\Column(length: 255)]
    private string $password = '';

    /** Digest of a one-time code; empty: there is none. */
    #[ORM\Column(name: 'code_digest', length: 64)]
    private string $codeDigest = '';

    /** Until when the code may be used, s since 1970. */
    #[ORM\Column(name: 'code_until', type: 'bigint')]
    private int $codeUntil = 0;

    /** Sessions of an earlier number have ended. */
    #[ORM\Column(name: 'sessions')]
    private int $sessions = 1;

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $person,
    ) {
    }

    /** A new password; whoever is signed in with the old one is signed out, and a code is used up. */
    public function choose(string $hash): void
    {
        $this->password = $hash;
        $this->codeDigest = '';
        $this->codeUntil = 0;
        ++$this->sessions;
    }

    /** A code takes the place of the password. */
    public function invite(string $digest, int $until): void
    {
        $this->choose('');
        $this->codeDigest = $digest;
        $this->codeUntil = $until;
    }

    public function endSessions(): void
    {
        ++$this->sessions;
    }

    /** A code stands in the place of a password. */
    public function takes(string $digest, int $now): bool
    {
        return hash_equals($this->codeDigest, $digest) && $digest !== '' && $this->password === '' && $now <= $this->codeUntil;
    }
}
