<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Evidence\Traits;

/** What one column of the lines of an instrument holds. */
final readonly class ProfileColumn
{
    public const VALUE = 'value';
    public const TIME = 'time';
    public const CHANNEL = 'channel';
    public const IN = 'in';
    public const UNIT = 'unit';

    /** In words, by what stands in a record. */
    public const HOLDS = [
        self::VALUE => 'the reading',
        self::TIME => 'date and time',
        self::CHANNEL => 'which channel it is',
        self::IN => 'the unit of measure',
        self::UNIT => 'the name of the instrument',
    ];

    /**
     * @param int    $place   from 0
     * @param string $channel of a reading where no column says it, as the steps call it
     * @param string $in      the unit of measure of a reading where no column says it
     */
    public function __construct(public int $place, public string $holds, public string $channel, public string $in)
    {
    }

    public static function of(Traits $row): self
    {
        return new self(
            (int) ($row->decimal('place')->written ?? '1') - 1,
            $row->text('holds') ?? self::VALUE,
            $row->text('channel') ?? '',
            $row->text('in') ?? '',
        );
    }
}
