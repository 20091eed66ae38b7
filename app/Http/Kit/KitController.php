<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\AddCertificate;
use Footnote\App\Kit\RecallReference;
use Footnote\App\Kit\RegisterInstrument;
use Footnote\App\Kit\RegisterReference;
use Footnote\App\Kit\ShelveEntry;
use Footnote\App\Logbook\Logbook;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Instruments and references: registered once, their certificates added, never overwritten. */
#[Route('/api/kit')]
final readonly class KitController
{
    public function __construct(
        private InstrumentPresenter $instruments,
        private ReferencePresenter $references,
        private LibraryPresenter $library,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function kit(KitPresenter $kit): JsonResponse
    {
        return new JsonResponse($kit->kit());
    }

    #[Route('/forms', methods: ['GET'])]
    public function forms(FormsPresenter $forms): JsonResponse
    {
        return new JsonResponse($forms->all());
    }

    #[Route('/library', methods: ['GET'])]
    public function library(): JsonResponse
    {
        return new JsonResponse($this->library->all());
    }

    /** One entry as it stands in the record format, to be kept as a file and taken into another logbook. */
    #[Route('/library/{shelf}/{code}', methods: ['GET'])]
    public function entry(string $shelf, string $code): JsonResponse
    {
        $name = preg_replace('/[^A-Za-z0-9._-]/', '_', $shelf.'-'.$code);
        $answer = new JsonResponse(
            $this->library->entry($shelf, $code),
            headers: ['Content-Disposition' => 'attachment; filename="'.$name.'.json"'],
        );

        return $answer->setEncodingOptions(\JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }

    #[Route('/library/{shelf}', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function shelve(string $shelf, Request $request, #[CurrentUser] User $user, ShelveEntry $shelve): JsonResponse
    {
        $shelve($user, $shelf, Body::of($request));

        return new JsonResponse($this->library->all(), 201);
    }

    #[Route('/instruments/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        return new JsonResponse($this->instruments->page($id));
    }

    #[Route('/instruments', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function register(Request $request, #[CurrentUser] User $user, RegisterInstrument $register): JsonResponse
    {
        return new JsonResponse($this->instruments->registered($register($user, Body::of($request))), 201);
    }

    #[Route('/references', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function registerReference(Request $request, #[CurrentUser] User $user, RegisterReference $register): JsonResponse
    {
        return new JsonResponse($this->references->registered($register($user, Body::of($request))), 201);
    }

    #[Route('/instruments/{id}/certificates', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function certify(string $id, Request $request, #[CurrentUser] User $user, AddCertificate $add): JsonResponse
    {
        $add->ofInstrument($user, $id, Body::of($request));

        return new JsonResponse($this->instruments->registered($id), 201);
    }

    #[Route('/references/{id}/certificates', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function certifyReference(string $id, Request $request, #[CurrentUser] User $user, AddCertificate $add): JsonResponse
    {
        $add->ofReference($user, $id, Body::of($request));

        return new JsonResponse($this->references->registered($id), 201);
    }

    #[Route('/references/{id}/recalls', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function recall(string $id, Request $request, #[CurrentUser] User $user, RecallReference $recall): JsonResponse
    {
        $recall($user, $id, Body::of($request));

        return new JsonResponse($this->references->registered($id), 201);
    }
}
