<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\PublicAddress;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Editions;
use Footnote\App\Report\IssueReport;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Press;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Reports as they are issued and printed. */
#[Route('/api/reports/{id}')]
final readonly class EditionsController
{
    public function __construct(private ReportPresenter $reports, private ClientReports $kept, private Press $press)
    {
    }

    #[Route('/editions', methods: ['POST'])]
    #[IsGranted('ROLE_HYGIENIST')]
    public function issue(string $id, Request $request, #[CurrentUser] User $user, IssueReport $issue, PublicAddress $public): JsonResponse
    {
        $edition = $issue($user, $id, Body::of($request), $public->of($request));
        $this->press->start($id, $edition, PaperSize::A4);

        return new JsonResponse($this->reports->one($id), 201);
    }

    /** Printing goes on beside; how far it is, is asked for. */
    #[Route('/print', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function print(string $id, Request $request): JsonResponse
    {
        $edition = $this->known($id, $request);
        $this->press->start($id, $edition, AskedEdition::paper($request));

        return new JsonResponse($this->reports->printing($id, $edition, AskedEdition::paper($request)), 202);
    }

    #[Route('/print', methods: ['GET'])]
    public function printing(string $id, Request $request): JsonResponse
    {
        return new JsonResponse($this->reports->printing($id, $this->known($id, $request), AskedEdition::paper($request)));
    }

    #[Route('/pdf', methods: ['GET'])]
    public function pdf(string $id, Request $request, Editions $editions): Response
    {
        $edition = $this->known($id, $request);
        $paper = AskedEdition::paper($request);
        $pdf = $editions->printed($id, $edition, $paper)
            ?? throw new Problem(404, 'It is not printed on this paper yet, or has changed since. Print it, then fetch it.');

        return new Response($pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => \sprintf(
                'attachment; filename="%s-%s-%s.pdf"',
                $id,
                $edition === null ? 'draft' : 'edition-'.$edition,
                $paper->value,
            ),
        ]);
    }

    private function known(string $id, Request $request): ?int
    {
        $edition = AskedEdition::of($request);
        $edition === null ? $this->kept->one($id) : $this->kept->edition($id, $edition);

        return $edition;
    }
}
