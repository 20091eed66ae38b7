<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Access\TriedTooOften;
use Footnote\App\Access\User;
use Footnote\App\Http\ProblemResponse;
use Footnote\App\Logbook\SiteClock;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** What sign-in and sign-out answer: JSON, never a redirect. */
final readonly class SignInResponses implements
    AuthenticationSuccessHandlerInterface,
    AuthenticationFailureHandlerInterface,
    AuthenticationEntryPointInterface
{
    public function __construct(private TokenStorageInterface $tokens, private SiteClock $site)
    {
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $user = $token->getUser();
        \assert($user instanceof User);

        return new JsonResponse($this->session($user));
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return $exception instanceof TriedTooOften
            ? self::wait($exception)
            : ProblemResponse::of(401, 'The name or the password is wrong.');
    }

    public static function wait(TriedTooOften $problem): Response
    {
        $answer = ProblemResponse::of(429, $problem->getMessage());
        $answer->headers->set('Retry-After', (string) $problem->wait);

        return $answer;
    }

    /** Before the framework does, which would keep in a session where a stranger wanted to go. */
    #[AsEventListener(priority: 8)]
    public function onStranger(ExceptionEvent $event): void
    {
        if ($event->getThrowable() instanceof AccessDeniedException && !$this->tokens->getToken()?->getUser() instanceof User) {
            $event->setResponse($this->start($event->getRequest()));
        }
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return ProblemResponse::of(401, 'Sign in first.');
    }

    #[AsEventListener]
    public function onSignOut(LogoutEvent $event): void
    {
        $event->setResponse(new Response(status: 204));
    }

    /** @return array{zone: string|null, user: array{name: string, code: string, roles: list<array{role: string, may: string}>}|null} */
    public function session(?User $user): array
    {
        return ['zone' => $user === null ? null : $this->site->known()?->getName(), 'user' => $user === null ? null : [
            'name' => $user->name,
            'code' => $user->code,
            'roles' => PeoplePresenter::roles(...$user->roles),
        ]];
    }
}
