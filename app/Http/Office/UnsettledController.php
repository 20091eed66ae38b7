<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\Bench\UnitLinePresenter;
use Footnote\App\Logbook\Days;
use Footnote\App\Logbook\Period;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Office\UnsettledRuns;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What of the last days could not be stood up for, and what would still lift it. */
final readonly class UnsettledController
{
    /**
     * Where nobody says otherwise: from the last day before today on which a run began. What a check could still close is told of
     * whatever the days: it is lost as soon as somebody adjusts the unit.
     */
    #[Route('/api/unsettled', methods: ['GET'])]
    public function runs(Request $request, UnsettledRuns $unsettled, UnitLinePresenter $lines, SiteClock $site, Days $days): JsonResponse
    {
        $zone = $site->zone();
        $today = $site->now()->format('Y-m-d');
        $from = $request->query->getString('from');
        $to = $request->query->getString('to');
        if ($from === '' && $to === '') {
            $from = $days->lastRun(Period::day('from', $today, $zone))?->setTimezone($zone)->format('Y-m-d') ?? $today;
        }

        $held = array_merge(...array_map(
            static fn (array $line): array => array_column([...$line['hold'], ...$line['running']], 'id'),
            array_values($lines->all()),
        ));

        return new JsonResponse([
            'from' => $from,
            'to' => $to,
            'today' => $today,
            'zone' => $zone->getName(),
            ...$unsettled->of(Period::of($from, $to, $zone), $held),
        ]);
    }
}
