<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\Kit\KitPresenter;
use Footnote\App\Http\SheetResponse;
use Footnote\App\Office\KitTable;
use Footnote\App\Storage\Cells;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The kit as a table. */
final readonly class KitTableController
{
    #[Route('/api/kit.csv', methods: ['GET'])]
    public function csv(Request $request, KitPresenter $kit): Response
    {
        $shown = $kit->kit();

        return SheetResponse::of($request, KitTable::FILE, KitTable::columns(), [
            ...array_map(KitTable::instrument(...), Cells::rows($shown, 'instruments')),
            ...array_map(KitTable::reference(...), Cells::rows($shown, 'references')),
        ]);
    }
}
