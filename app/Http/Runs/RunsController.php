<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\SentFile;
use Footnote\App\Logbook\DrawnLogs;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Runs;
use Footnote\App\Refusal\Problem;
use Footnote\App\Runs\LearnOfRun;
use Footnote\App\Runs\ReadLog;
use Footnote\App\Runs\StartRun;
use Footnote\App\Runs\WithdrawRun;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Runs: started, stopped, and everything learned about them afterwards. */
#[Route('/api/runs')]
final readonly class RunsController
{
    public function __construct(private RunPresenter $runs)
    {
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function start(Request $request, #[CurrentUser] User $user, StartRun $start): JsonResponse
    {
        return new JsonResponse($this->runs->page($start($user, Body::of($request))), 201);
    }

    #[Route('/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        return new JsonResponse($this->runs->page($id));
    }

    #[Route('/{id}/facts', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function learn(string $id, Request $request, #[CurrentUser] User $user, LearnOfRun $learn): JsonResponse
    {
        $learn($user, $id, Body::of($request));

        return new JsonResponse($this->runs->page($id), 201);
    }

    /** It was begun in error, and stays on record. */
    #[Route('/{id}/withdrawal', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function withdraw(string $id, Request $request, #[CurrentUser] User $user, WithdrawRun $withdraw): JsonResponse
    {
        $withdraw($user, $id, Body::of($request)->optionalText('reason', 2000) ?? '');

        return new JsonResponse($this->runs->page($id), 201);
    }

    /** The head of a file: how it seems to be written. Nothing is kept. */
    #[Route('/log-preview', methods: ['POST'], priority: 10)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function preview(Request $request, LogGuess $guess): JsonResponse
    {
        return new JsonResponse($guess->of($request->query->getString('run'), $request->getContent()));
    }

    /** The whole log of one channel or size, as indicated and with the response of each moment taken out. */
    #[Route('/{id}/readings', methods: ['GET'])]
    public function readings(string $id, Request $request, DrawnLogs $logs): JsonResponse
    {
        return new JsonResponse($logs->channel($id, $request->query->getString('channel')));
    }

    /** The log for drawing: the lowest, highest and energy-mean level of each stretch. */
    #[Route('/{id}/series', methods: ['GET'])]
    public function series(string $id, DrawnLogs $logs): JsonResponse
    {
        return new JsonResponse($logs->sketch($id));
    }

    /** The whole log as the body; how it is written in a header, since the body is the file byte for byte. */
    #[Route('/{id}/log', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function log(string $id, Request $request, #[CurrentUser] User $user, ReadLog $read): JsonResponse
    {
        $format = SentFile::header($request, 'X-Log-Format') ?? throw Problem::field('/format', 'does not say how the file is written.');
        $reason = SentFile::reason($request);
        $file = SentFile::of($request, SentFile::LOG);
        try {
            $name = SentFile::name(rawurldecode($request->headers->get('X-Log-Name', '')));
            $read($user, $id, $name, $file->path, $format, $reason);
        } finally {
            $file->forget();
        }

        return new JsonResponse($this->runs->page($id), 201);
    }

    /** The original file, byte for byte. */
    #[Route('/{id}/log', methods: ['GET'])]
    public function original(string $id, Logbook $logbook, Runs $runs): Response
    {
        $record = $logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        [$name, $bytes] = $runs->original($record) ?? throw Problem::missing('A log of run '.$id);

        return new Response($bytes, 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._-]/', '_', $name).'"',
        ]);
    }
}
