<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Access\People;
use Footnote\App\Access\Role;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;

/** People as a steward sees them. */
final readonly class PeoplePresenter
{
    public function __construct(private People $people)
    {
    }

    /** @return array{people: list<array<string, mixed>>, roles: list<array{role: string, may: string}>} */
    public function all(): array
    {
        return ['people' => array_map(self::person(...), $this->people->all()), 'roles' => self::roles(...Role::cases())];
    }

    /** @return list<array{role: string, may: string}> */
    public static function roles(Role ...$roles): array
    {
        return array_map(static fn (Role $role): array => ['role' => $role->value, 'may' => $role->may()], array_values($roles));
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function person(array $row): array
    {
        $until = $row['code_until'] ?? null;

        return [
            'name' => Cells::text($row, 'name'),
            'code' => Cells::text($row, 'code'),
            'roles' => array_map(static fn (Role $role): string => $role->value, People::roles($row, 'roles')),
            'hasPassword' => Cells::text($row, 'has_password') === '1',
            'codeUntil' => is_numeric($until) ? gmdate('Y-m-d\TH:i:s\Z', (int) $until) : null,
            'said' => ($row['recorded_by'] ?? null) === null ? null : [
                'by' => Cells::text($row, 'recorded_by'),
                'at' => Moments::told(Cells::text($row, 'recorded_at')),
                'reason' => Cells::text($row, 'reason'),
            ],
        ];
    }
}
