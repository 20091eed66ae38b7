<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Access\StrangerThrottle;
use Footnote\App\Access\TriedTooOften;
use Footnote\App\Http\PublicAddress;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Office\CalendarAddresses;
use Footnote\App\Office\DatesCalendar;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a calendar reads that was given a secret address: nobody is signed in there, and nothing else can be read by it. */
final readonly class CalendarController
{
    public const PATH = '/calendar/';

    #[Route(self::PATH.'{secret}.ics', requirements: ['secret' => '[0-9a-f]{1,64}'], methods: ['GET'])]
    public function dates(
        #[\SensitiveParameter]
        string $secret,
        Request $request,
        StrangerThrottle $throttle,
        CalendarAddresses $addresses,
        DatesCalendar $calendar,
        SiteClock $site,
        PublicAddress $public,
    ): Response {
        try {
            $throttle->asked();
        } catch (TriedTooOften $problem) {
            return self::words('Asked too often. Try again in a minute.', 429, ['Retry-After' => (string) $problem->wait]);
        }
        $address = $addresses->under($secret);
        if ($address === null) {
            return self::words('No calendar answers under this address, or not any more.', 404);
        }
        $text = $calendar->of($address, $public->of($request).'/dates', $site->now());

        return self::words($text, 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="dates.ics"',
        ]);
    }

    /** @param array<string, string> $headers */
    private static function words(string $text, int $status, array $headers = []): Response
    {
        return new Response($text, $status, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            ...$headers,
        ]);
    }
}
