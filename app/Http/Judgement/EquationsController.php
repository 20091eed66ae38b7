<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\Core\Derivation\Catalogue;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** The equations that figures name, typeset: served once, filled with the numbers of each figure by who shows them. */
final readonly class EquationsController
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    #[Route('/api/equations', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse(['equations' => $this->catalogue->entries()]);
    }
}
