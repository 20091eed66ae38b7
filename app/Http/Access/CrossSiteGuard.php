<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Http\ProblemResponse;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Refuses changes that another site could have sent: a changing request must carry a header that a plain form cannot
 * set, and where the browser says where it comes from, that must be here. The session cookie is strict as well.
 */
final readonly class CrossSiteGuard
{
    #[AsEventListener(priority: 16)]
    public function check(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !str_starts_with($request->getPathInfo(), '/api/') || $request->isMethodSafe()) {
            return;
        }
        $origin = $request->headers->get('Origin');
        $site = $request->headers->get('Sec-Fetch-Site');
        if ($request->headers->get('X-Requested-With') !== 'footnote'
            || ($origin !== null && $origin !== $request->getSchemeAndHttpHost())
            || ($site !== null && $site !== 'same-origin')) {
            $event->setResponse(ProblemResponse::of(403, 'The request did not come from this application. Nothing was changed.'));
        }
    }
}
