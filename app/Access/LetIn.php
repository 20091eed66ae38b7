<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Journal\Journal;
use Footnote\App\Refusal\Problem;
use Psr\Clock\ClockInterface;

/**
 * Who may do what: people are let in, their roles change, their access ends. Names and codes stay, since results lean on them.
 */
final readonly class LetIn
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private People $people,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Somebody new, who chooses a password by a code.
     *
     * @param list<Role> $roles
     *
     * @return OneTimeCode to be told to the person, and to nobody else
     */
    public function add(string $by, string $name, string $code, array $roles): OneTimeCode
    {
        if (preg_match('/^[A-Za-z0-9][\w.@-]{0,39}$/D', $name) !== 1) {
            throw Problem::field(
                '/name',
                'must be 1 to 40 letters, digits, points, dashes, underscores or @, beginning with a letter or digit.',
            );
        }
        if (preg_match('/^[A-Za-z0-9][\w.-]{0,19}$/D', $code) !== 1) {
            throw Problem::field('/code', 'must be 1 to 20 letters, digits, points or dashes, beginning with a letter or digit.');
        }
        $first = $roles[0] ?? throw Problem::field('/roles', 'must be at least one.');
        $oneTime = OneTimeCode::fresh();
        $told = ['person' => $name, 'code' => $code, 'roles' => self::words($roles)];
        $this->journal->during($by, 'person added', $told, function () use ($by, $name, $code, $roles, $first, $oneTime): void {
            if ($this->people->isNamed($name)) {
                throw Problem::field('/name', 'is somebody\'s already.');
            }
            if ($this->people->isTaken($code)) {
                throw Problem::field('/code', 'stands under somebody\'s numbers already.');
            }
            $this->entities->persist(new Person($name, $first, $code));
            $this->say($by, $name, $roles, '');
            $this->invite(new PersonSecret($name), $oneTime);
        });

        return $oneTime;
    }

    /** @param list<Role> $roles none: access ends */
    public function change(string $by, string $name, array $roles, string $reason): void
    {
        if ($reason === '') {
            throw Problem::field('/reason', 'say why; it stands in the journal.');
        }
        $told = ['person' => $name, 'roles' => self::words($roles), 'reason' => $reason];
        $kind = $roles === [] ? 'access ended' : 'roles changed';
        $this->journal->during($by, $kind, $told, function () use ($by, $name, $roles, $reason): void {
            $this->person($name);
            if (!\in_array(Role::Steward, $roles, true) && !$this->people->hasStewardBeside($name)) {
                throw Problem::field('/roles', 'nobody else keeps people: make somebody else steward first.');
            }
            $this->say($by, $name, $roles, $reason);
            $this->secret($name)->endSessions();
        });
    }

    /** A code in place of a password that was forgotten or became known; whoever is signed in by it is signed out. */
    public function invited(string $by, string $name): OneTimeCode
    {
        $oneTime = OneTimeCode::fresh();
        $this->journal->during($by, 'one-time code made', ['person' => $name], function () use ($by, $name, $oneTime): void {
            $this->person($name);
            $user = $this->people->find($name) ?? throw new Problem(409, 'This access has ended: give it roles first.');
            if ($user->has(Role::Steward) && $by !== 'console' && !$this->people->hasStewardBeside($name)) {
                throw new Problem(409, 'Nobody else keeps people: choose a new password of your own instead.');
            }
            $this->invite($this->secret($name), $oneTime);
        });

        return $oneTime;
    }

    public function signOutEverywhere(string $by, string $name): void
    {
        $this->journal->during($by, 'signed out everywhere', ['person' => $name], function () use ($name): void {
            $this->person($name);
            $this->secret($name)->endSessions();
        });
    }

    /** @param list<Role> $roles */
    private static function words(array $roles): string
    {
        return implode(' ', array_map(static fn (Role $role): string => $role->value, $roles));
    }

    /** @param list<Role> $roles */
    private function say(string $by, string $name, array $roles, string $reason): void
    {
        $this->entities->persist(new AccessWord($name, self::words($roles), $reason, $by, $this->clock->now()));
    }

    private function invite(PersonSecret $secret, OneTimeCode $oneTime): void
    {
        $secret->invite($oneTime->digest(), $this->clock->now()->getTimestamp() + OneTimeCode::LASTS);
        $this->entities->persist($secret);
    }

    private function person(string $name): void
    {
        if ($this->entities->find(Person::class, $name) === null) {
            throw Problem::missing('Nobody of the name '.$name);
        }
    }

    private function secret(string $name): PersonSecret
    {
        $secret = $this->entities->find(PersonSecret::class, $name);
        if ($secret === null) {
            $secret = new PersonSecret($name);
            $this->entities->persist($secret);
        }

        return $secret;
    }
}
