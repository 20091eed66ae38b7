<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\PublicAddress;
use Footnote\App\Office\CalendarAddress;
use Footnote\App\Office\CalendarAddresses;
use Footnote\App\Report\SquareCode;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The addresses under which calendars ask for what falls due: made, told once, and ended. */
#[Route('/api/calendars')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class CalendarsController
{
    public function __construct(private CalendarAddresses $addresses)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['items' => $this->items($user)]);
    }

    #[Route('', methods: ['POST'])]
    public function make(Request $request, #[CurrentUser] User $user, PublicAddress $public, SquareCode $code): JsonResponse
    {
        $place = $public->of($request).CalendarController::PATH;
        // A code that cannot be drawn is found out before anything is made.
        $code->of($place);
        $address = $place.$this->addresses->make($user, Body::of($request)).'.ics';

        return new JsonResponse(['address' => $address, 'square' => $code->of($address), 'items' => $this->items($user)], 201);
    }

    #[Route('/{id}/end', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function end(int $id, #[CurrentUser] User $user): JsonResponse
    {
        $this->addresses->end($user, $id);

        return new JsonResponse(['items' => $this->items($user)]);
    }

    /** @return list<array<string, mixed>> */
    private function items(User $user): array
    {
        return array_map(static fn (CalendarAddress $one): array => [
            'id' => $one->id,
            'title' => $one->title,
            'person' => $one->person,
            'by' => $one->choice()->by,
            'kit' => $one->choice()->kit,
            'of' => $one->choice()->person,
            'madeAt' => $one->madeAt->format(\DATE_ATOM),
        ], $this->addresses->of($user));
    }
}
