<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Logbook\Release;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/** Before anything is shown or decided: what an earlier release worked out is let go of. */
final readonly class FollowRelease
{
    public function __construct(private Release $release)
    {
    }

    #[AsEventListener]
    public function before(ControllerEvent $event): void
    {
        if ($event->isMainRequest() && str_starts_with($event->getRequest()->getPathInfo(), '/api/')) {
            $this->release->follow();
        }
    }
}
