<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Footnote\App\Journal\Journal;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Security\Core\Event\AuthenticationSuccessEvent;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Who came in, who was refused and who left stands in the journal; nobody is in before it stands there. */
final readonly class Door
{
    public function __construct(
        private SignInThrottle $throttle,
        private Journal $journal,
        private People $people,
        private RequestStack $requests,
        private UserPasswordHasherInterface $hasher,
    ) {
    }

    #[AsEventListener(priority: 2080)]
    public function beforePassword(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        if (!$badge instanceof UserBadge) {
            return;
        }
        $this->throttle->tried($badge->getUserIdentifier());
        try {
            $event->getPassport()->getUser();
        } catch (UserNotFoundException $problem) {
            // A name that nobody has takes as long as a wrong password.
            $told = $event->getPassport()->getBadge(PasswordCredentials::class);
            $this->hasher->hashPassword(
                User::nobody(),
                substr($told instanceof PasswordCredentials ? $told->getPassword() : '', 0, Password::LONGEST),
            );
            throw $problem;
        }
    }

    #[AsEventListener(event: 'security.authentication.success')]
    public function right(AuthenticationSuccessEvent $event): void
    {
        $user = $event->getAuthenticationToken()->getUser();
        // Of a session that goes on nothing is to be said.
        if ($user instanceof User && $this->requests->getMainRequest()?->getPathInfo() === '/api/session/begin') {
            $this->journal->note($user->code, 'signed in', ['person' => $user->name, 'from' => $this->from()]);
            $this->throttle->wasRight($user->name);
        }
    }

    #[AsEventListener]
    public function wrong(LoginFailureEvent $event): void
    {
        if ($event->getException() instanceof TriedTooOften) {
            return;
        }
        $badge = $event->getPassport()?->getBadge(UserBadge::class);
        $this->refused($badge instanceof UserBadge ? $badge->getUserIdentifier() : '');
    }

    /** A name and a password or a code that do not belong together. */
    public function refused(string $name): void
    {
        // What is no name may be a password in the wrong field: it is not written down.
        $told = ['person' => $this->people->isNamed($name) ? $name : 'a name that nobody has', 'from' => $this->from()];
        $this->journal->note('nobody', 'sign-in refused', $told);
    }

    #[AsEventListener]
    public function left(LogoutEvent $event): void
    {
        $user = $event->getToken()?->getUser();
        if ($user instanceof User) {
            try {
                $this->journal->note($user->code, 'signed out', ['person' => $user->name]);
            } catch (\Throwable) {
                // Whoever leaves may leave, on a full disk too.
            }
        }
    }

    private function from(): string
    {
        return $this->requests->getMainRequest()?->getClientIp() ?? '';
    }
}
