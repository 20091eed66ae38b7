<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Access\StrangerThrottle;
use Footnote\App\Access\TriedTooOften;
use Footnote\App\Logbook\ClientReports;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What somebody sees who holds a report in the hand and asks whether it still stands: number, date, edition, superseded or not. */
final readonly class StrangerController
{
    private const STYLE = 'body{background:#fbf8f1;color:#22201c;font:1.1rem/1.5 Georgia,serif}'
        .'main{max-width:34rem;margin:12vh auto;padding:0 1rem;border-top:1px solid}h1{font-weight:500}';

    #[Route('/r/{address}', requirements: ['address' => '[0-9a-f]{1,64}'], methods: ['GET'])]
    public function report(string $address, StrangerThrottle $throttle, ClientReports $reports): Response
    {
        try {
            $throttle->asked();
        } catch (TriedTooOften $problem) {
            $answer = self::page('Asked too often', ['Try again in a minute.'], 429);
            $answer->headers->set('Retry-After', (string) $problem->wait);

            return $answer;
        }
        $known = $reports->toStranger($address);
        if ($known === null) {
            return self::page('No report', ['Under this address nothing was issued. Compare it with what is printed on the report.'], 404);
        }

        return self::page(\sprintf('Report %s, edition %d', $known['report'], $known['edition']), [
            'Issued on '.(new \DateTimeImmutable($known['at']))->format('j M Y').' (UTC).',
            $known['last'] === $known['edition']
                ? 'It is the last edition: it was not superseded.'
                : \sprintf('It was superseded: the last edition is %d.', $known['last']),
        ], 200);
    }

    /** @param list<string> $lines */
    private static function page(string $title, array $lines, int $status): Response
    {
        $text = static fn (string $one): string => htmlspecialchars($one);
        $nonce = base64_encode(random_bytes(16));

        return new Response(
            \sprintf(
                '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">'
                    .'<meta name="robots" content="noindex"><title>%s</title><style nonce="%s">%s</style></head>'
                    .'<body><main><h1>%s</h1>%s</main></body></html>',
                $text($title),
                $nonce,
                self::STYLE,
                $text($title),
                implode('', array_map(static fn (string $line): string => '<p>'.$text($line).'</p>', $lines)),
            ),
            $status,
            [
                'Content-Type' => 'text/html; charset=utf-8',
                'Cache-Control' => 'no-store',
                'Content-Security-Policy' => "default-src 'none'; style-src 'nonce-$nonce'; "
                    ."frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
                'X-Robots-Tag' => 'noindex',
            ],
        );
    }
}
