<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\SheetResponse;
use Footnote\App\Office\DatesTable;
use Footnote\App\Office\KitDates;
use Footnote\App\Report\CsvSheet;
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
        $file = new \SplTempFileObject(CsvSheet::IN_MEMORY);
        $sheet = new CsvSheet($file, DatesTable::columns(), $request->query->getString('decimal') === 'comma');
        foreach ($dates->all()['items'] ?? [] as $item) {
            $sheet->add(DatesTable::line($item));
        }

        return SheetResponse::of($file, DatesTable::FILE);
    }
}
