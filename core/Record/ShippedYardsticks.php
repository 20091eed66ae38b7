<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** The criteria and limits that come with Footnote, as examples with their sources, from every family. */
final readonly class ShippedYardsticks
{
    /** @param array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>} $all */
    public function __construct(public array $all)
    {
    }

    /**
     * Those a new campaign begins with: all but limits that hold behind hearing protection, since a dosimeter at the
     * shoulder cannot be set against them without a qualification, and of reference conditions the first.
     *
     * @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>}
     */
    public function usual(): array
    {
        $shipped = $this->all;
        $conditions = 0;

        return [
            'criteria' => array_values(array_filter($shipped['criteria'], static function (array $criterion) use (&$conditions): bool {
                return !isset($criterion['conditions']) || ++$conditions === 1;
            })),
            'limits' => array_values(
                array_filter($shipped['limits'], static fn (array $limit): bool => ($limit['scope'] ?? '') !== 'behind hearing protection'),
            ),
        ];
    }
}
