<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\SheetResponse;
use Footnote\App\Office\DatesTable;
use Footnote\App\Office\KitDates;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What falls due, as a list and as a table. */
#[Route('/api/dates')]
final readonly class DatesController
{
    #[Route('', methods: ['GET'])]
    public function dates(DatesPresenter $dates): JsonResponse
    {
        return new JsonResponse($dates->all());
    }

    #[Route('.csv', methods: ['GET'])]
    public function csv(Request $request, KitDates $dates): Response
    {
        $lines = array_map(DatesTable::line(...), $dates->all()['items'] ?? []);

        return SheetResponse::of($request, DatesTable::FILE, DatesTable::columns(), $lines);
    }
}
