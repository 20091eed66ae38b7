<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Package\Packer;
use Footnote\App\Package\Wanted;
use Footnote\App\Refusal\Problem;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Campaigns and reports as packages that are read without the application: packed beside, and fetched when they are done. */
#[Route('/api/package')]
final readonly class PackagesController
{
    public function __construct(private Packer $packer, private Campaigns $campaigns, private ClientReports $reports)
    {
    }

    #[Route('', methods: ['POST'])]
    public function begin(Request $request): JsonResponse
    {
        $wanted = $this->wanted($request);
        $this->packer->start($wanted);

        return new JsonResponse($this->told($wanted), 202);
    }

    #[Route('', methods: ['GET'])]
    public function state(Request $request): JsonResponse
    {
        return new JsonResponse($this->told($this->wanted($request)));
    }

    #[Route('/zip', methods: ['GET'])]
    public function zip(Request $request): BinaryFileResponse
    {
        $wanted = $this->wanted($request);
        $path = $this->packer->path($wanted);
        if (!is_file($path)) {
            throw new Problem(404, 'It is not packed yet. Pack it, then fetch it.');
        }

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/zip'], false))
            ->setContentDisposition('attachment', $wanted->title());
    }

    private function wanted(Request $request): Wanted
    {
        $report = $request->query->getString('report');
        $files = $request->query->getString('files') !== 'without';

        return $report === ''
            ? Wanted::ofCampaign($this->campaigns->one($request->query->getString('campaign'))['id'], $files)
            : Wanted::ofReport($report, $this->reports->one($report)['campaign'], $files);
    }

    /** @return array<string, mixed> */
    private function told(Wanted $wanted): array
    {
        $path = $this->packer->path($wanted);
        $there = is_file($path);

        return [
            ...$this->packer->state($wanted),
            'made' => $there ? date(\DATE_ATOM, (int) filemtime($path)) : null,
            'bytes' => $there ? (int) filesize($path) : null,
        ];
    }
}
