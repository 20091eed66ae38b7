<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Access\LetIn;
use Footnote\App\Access\OneTimeCode;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Who may do what; stewards keep it. */
#[Route('/api/people')]
#[IsGranted('ROLE_STEWARD')]
final readonly class PeopleController
{
    public function __construct(private LetIn $letIn, private PeoplePresenter $people)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->people->all());
    }

    #[Route('', methods: ['POST'])]
    public function add(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $told = Body::of($request);
        $name = $told->text('name');

        return $this->invited($name, $this->letIn->add($user->code, $name, $told->text('code'), self::roles($told)));
    }

    #[Route('/{name}/roles', methods: ['POST'])]
    public function change(string $name, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $told = Body::of($request);
        $roles = self::roles($told);
        if ($roles === []) {
            throw Problem::field('/roles', 'must be at least one; to end it, end the access.');
        }
        $this->letIn->change($user->code, $name, $roles, $told->optionalText('reason') ?? '');

        return new JsonResponse($this->people->all());
    }

    #[Route('/{name}/end', methods: ['POST'])]
    public function end(string $name, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->letIn->change($user->code, $name, [], Body::of($request)->optionalText('reason') ?? '');

        return new JsonResponse($this->people->all());
    }

    #[Route('/{name}/code', methods: ['POST'])]
    public function code(string $name, #[CurrentUser] User $user): JsonResponse
    {
        return $this->invited($name, $this->letIn->invited($user->code, $name));
    }

    #[Route('/{name}/sign-out', methods: ['POST'])]
    public function signOut(string $name, #[CurrentUser] User $user): JsonResponse
    {
        $this->letIn->signOutEverywhere($user->code, $name);

        return new JsonResponse($this->people->all());
    }

    private function invited(string $name, OneTimeCode $code): JsonResponse
    {
        return new JsonResponse(['name' => $name, 'oneTimeCode' => $code->written, ...$this->people->all()], 201);
    }

    /** @return list<Role> each once, in the order in which roles are told */
    private static function roles(Fields $told): array
    {
        $words = $told->texts('roles');
        foreach ($words as $word) {
            if (Role::tryFrom($word) === null) {
                throw Problem::field('/roles', 'are reader, technician, hygienist and steward.');
            }
        }

        return array_values(array_filter(Role::cases(), static fn (Role $role): bool => \in_array($role->value, $words, true)));
    }
}
