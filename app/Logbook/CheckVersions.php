<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/** Which checks stand in the place of which, and where one could be moved to. */
final readonly class CheckVersions
{
    public function __construct(private Connection $connection)
    {
    }

    /** The check that stands in the place of one; null where it counts itself. */
    public function replacing(string $check): ?string
    {
        $by = $this->connection->fetchOne('SELECT by_check_id FROM check_replaced WHERE check_id = ?', [$check]);

        return \is_string($by) ? $by : null;
    }

    /** @return array<array-key, string> by the checks of a unit that others stand in the place of: those */
    public function replacedOf(string $instrument): array
    {
        return array_filter(
            $this->connection->fetchAllKeyValue('SELECT check_id, by_check_id FROM check_replaced WHERE instrument_id = ?', [$instrument]),
            \is_string(...),
        );
    }

    /** @return list<string> the other units of a family */
    public function alike(string $instrument, string $family): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT id FROM instrument WHERE family = ? AND id <> ? ORDER BY id',
                [$family, $instrument],
            ),
            \is_string(...),
        ));
    }

    /** @return list<string> units that a unit's checks were moved from or to */
    public function moved(string $instrument): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT instrument_id FROM check_replaced WHERE by_instrument_id = :unit AND instrument_id <> :unit'
                    .' UNION SELECT by_instrument_id FROM check_replaced WHERE instrument_id = :unit AND by_instrument_id <> :unit',
                ['unit' => $instrument],
            ),
            \is_string(...),
        ));
    }
}
