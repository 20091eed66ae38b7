<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\SheetResponse;
use Footnote\App\Judgement\DecideResult;
use Footnote\App\Logbook\Decisions;
use Footnote\App\Logbook\Ledger;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\Period;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\RunsSought;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Withdrawals;
use Footnote\App\Report\ReportedResults;
use Footnote\App\Report\ResultTable;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The ledger of results, one result with everything under it, and what people decide. */
#[Route('/api/results')]
final readonly class ResultsController
{
    private const PAGE = 50;

    /** What the ledger knows of a run and the list of what does not stand tells. */
    private const ELSEWHERE = ['parts' => true, 'weighty' => true];

    public function __construct(
        private Ledger $ledger,
        private ResultPresenter $results,
        private Withdrawals $withdrawals,
        private PracticeUnits $practice,
        private SiteClock $site,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function ledger(Request $request): JsonResponse
    {
        $choice = $this->choice($request);
        $page = max(1, min(100000, $request->query->getInt('page', 1)));

        $found = $this->ledger->page($choice, self::PAGE, ($page - 1) * self::PAGE);

        return new JsonResponse([
            'total' => $found->total,
            'waiting' => $found->waiting,
            'page' => $page,
            'pageSize' => self::PAGE,
            'rows' => array_map(static fn (array $row): array => array_diff_key($row, self::ELSEWHERE), $found->rows),
            'withdrawn' => $this->withdrawals->of($choice->sought->campaign),
        ]);
    }

    #[Route('.csv', methods: ['GET'])]
    public function csv(Request $request, ReportedResults $results): Response
    {
        return SheetResponse::of($request, ResultTable::FILE, ResultTable::columns(), $results->lines($this->choice($request)));
    }

    #[Route('/{run}', methods: ['GET'])]
    public function result(string $run): JsonResponse
    {
        return JsonResponse::fromJsonString($this->results->page($run));
    }

    #[Route('/{run}/decision', methods: ['POST'])]
    #[IsGranted('ROLE_HYGIENIST')]
    public function decide(string $run, Request $request, #[CurrentUser] User $user, DecideResult $decide): JsonResponse
    {
        $decide($user, $run, Body::of($request));

        return JsonResponse::fromJsonString($this->results->page($run), 201);
    }

    /** The frozen snapshot of a decision, as it was signed. */
    #[Route('/{run}/decision/{id}', requirements: ['id' => '\d{1,9}'], methods: ['GET'])]
    public function snapshot(string $run, int $id, Decisions $decisions): Response
    {
        [$snapshot, $digest] = $decisions->snapshot($run, $id);

        return new Response($snapshot, 200, ['Content-Type' => 'application/json', 'X-Content-Digest' => $digest]);
    }

    private function choice(Request $request): LedgerChoice
    {
        $decided = ['yes' => true, 'no' => false][$request->query->getString('decided')] ?? null;
        $asked = static fn (string $name): string => $request->query->getString($name);

        return new LedgerChoice(
            new RunsSought(
                $asked('campaign'),
                $asked('instrument'),
                $asked('family'),
                $asked('person'),
                $asked('task'),
                $asked('text'),
                Period::of($asked('from'), $asked('to'), $this->site->zone()),
            ),
            $asked('verdict'),
            $decided,
            $decided === false ? $this->practice->ids() : [],
        );
    }
}
