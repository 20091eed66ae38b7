<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Journal\Journal;
use Footnote\App\Refusal\Problem;
use Psr\Clock\ClockInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** A person chooses a password: the first by a one-time code, another by the one before. */
final readonly class ChoosePassword
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private People $people,
        private SignInThrottle $throttle,
        private Door $door,
        private UserPasswordHasherInterface $hasher,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @throws TriedTooOften where the next try has to wait
     * @throws Problem       where name and code do not belong together, or the password is too weak
     */
    public function first(string $name, OneTimeCode $code, #[\SensitiveParameter] string $password): void
    {
        Password::check($password, $name);
        $this->throttle->tried($name);
        $user = $this->people->find($name) ?? User::nobody();
        // Worked out whatever is found: how long it takes says nothing.
        $hash = $this->hasher->hashPassword($user, $password);
        $secret = $this->entities->find(PersonSecret::class, $name);
        if ($user->code === '' || $secret?->takes($code->digest(), $this->clock->now()->getTimestamp()) !== true) {
            $this->door->refused($name);
            throw new Problem(401, 'The name or the code is wrong, or the code was used or is too old.');
        }
        $told = self::told($name, 'one-time code', $hash);
        $this->journal->during($user->code, 'password chosen', $told, function () use ($secret, $code, $hash): void {
            $this->entities->refresh($secret);
            if (!$secret->takes($code->digest(), $this->clock->now()->getTimestamp())) {
                throw new Problem(409, 'This code was used meanwhile.');
            }
            $secret->choose($hash);
        });
        $this->throttle->wasRight($name);
    }

    /** Another one. Whoever is signed in elsewhere is signed out. */
    public function another(User $user, #[\SensitiveParameter] string $now, #[\SensitiveParameter] string $password): void
    {
        if (!$this->hasher->isPasswordValid($this->people->find($user->name) ?? User::nobody(), $now)) {
            throw Problem::field('/now', 'is not your password.');
        }
        Password::check($password, $user->name);
        $this->set($user->code, $user->name, $password, 'the one before');
    }

    /** On the console, where whoever is there may do anything. */
    public function set(string $by, string $name, #[\SensitiveParameter] string $password, string $how): void
    {
        $hash = $this->hasher->hashPassword(User::nobody(), $password);
        $told = self::told($name, $how, $hash);
        $this->journal->during($by, 'password chosen', $told, function () use ($name, $hash): void {
            $secret = $this->entities->find(PersonSecret::class, $name) ?? new PersonSecret($name);
            $secret->choose($hash);
            $this->entities->persist($secret);
        });
    }

    /**
     * The digest of what is kept binds it: another password behind the application's back is noticed.
     *
     * @return array<string, string>
     */
    private static function told(string $name, string $how, #[\SensitiveParameter] string $hash): array
    {
        return ['person' => $name, 'by' => $how, 'digest' => hash('sha256', $hash)];
    }
}
