<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/**
 * A session ends after some hours in which nobody did anything, and after a working day in any case. The times stand within the
 * session, so that they hold however a server sweeps its files.
 */
final readonly class SessionTimes
{
    /** Four hours: a round through a plant without a look at a screen. */
    private const IDLE = 14400;

    /** Fourteen hours: the longest day. */
    private const WHOLE = 50400;

    /** How often it is noted that somebody is there, s. */
    private const NOTED = 60;

    public function __construct(private ClockInterface $clock)
    {
    }

    #[AsEventListener]
    public function begin(LoginSuccessEvent $event): void
    {
        $now = $this->clock->now()->getTimestamp();
        $event->getRequest()->getSession()->set('begun', $now);
        $event->getRequest()->getSession()->set('seen', $now);
    }

    /** After the session is there, before anybody asks whose it is. */
    #[AsEventListener(priority: 32)]
    public function check(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !str_starts_with($request->getPathInfo(), '/api/') || !$request->hasPreviousSession()) {
            return;
        }
        $session = $request->getSession();
        $begun = $session->get('begun');
        $seen = $session->get('seen');
        if (!\is_int($begun) || !\is_int($seen)) {
            return;
        }
        $now = $this->clock->now()->getTimestamp();
        if ($now - $seen > self::IDLE || $now - $begun > self::WHOLE) {
            $session->invalidate();
        } elseif ($now - $seen >= self::NOTED) {
            $session->set('seen', $now);
        }
    }
}
