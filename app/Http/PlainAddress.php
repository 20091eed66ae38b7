<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\Core\Record\PlainText;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/** Addresses and headers are plain text in UTF-8: nothing here has another name, and not every database takes one. */
final readonly class PlainAddress
{
    #[AsEventListener(priority: 64)]
    public function check(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest() && str_starts_with($request->getPathInfo(), '/api/') && !self::isPlain($request)) {
            $event->setResponse(ProblemResponse::of(
                400,
                'The address, or what is told beside it, is no plain text in UTF-8. Nothing was changed.',
            ));
        }
    }

    private static function isPlain(Request $request): bool
    {
        $told = rawurldecode($request->getPathInfo()).rawurldecode($request->server->getString('QUERY_STRING'));
        foreach ($request->headers->all() as $name => $values) {
            $told .= str_starts_with($name, 'x-') ? rawurldecode(implode('', array_filter($values, \is_string(...)))) : '';
        }

        // Whoever signs in is looked up before any action reads the body.
        if ($request->getPathInfo() === '/api/session/begin') {
            $body = json_decode($request->getContent(), true, 4);
            $told .= \is_array($body) ? implode('', array_filter($body, \is_string(...))) : '';
        }

        return mb_check_encoding($told, 'UTF-8') && PlainText::isPlain($told);
    }
}
