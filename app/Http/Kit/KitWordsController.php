<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\SayOfKit;
use Footnote\App\Logbook\KitWords;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\KitWord;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Where a thing of the kit is, whose it is, what belongs to it. */
#[Route('/api/kit/{owner}/{id}/word', requirements: ['owner' => 'instruments|references'])]
final readonly class KitWordsController
{
    public function __construct(private KitWords $words)
    {
    }

    /** @param 'instruments'|'references' $owner */
    #[Route('', methods: ['GET'])]
    public function word(string $owner, string $id): JsonResponse
    {
        return new JsonResponse(['entries' => Entry::all(KitWord::entries()), 'said' => $this->words->of($owner, $id)]);
    }

    /** @param 'instruments'|'references' $owner */
    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function say(string $owner, string $id, Request $request, #[CurrentUser] User $user, SayOfKit $say): JsonResponse
    {
        $say($user, $owner, $id, Body::of($request));

        return $this->word($owner, $id);
    }
}
