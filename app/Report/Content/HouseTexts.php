<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** The texts of a report that a steward may write anew, and what may stand in them in braces. */
final readonly class HouseTexts
{
    public const COVER = 'cover';
    public const SUMMARY = 'summary';
    public const CAUTIONS = 'cautions';

    /** What each begins as. */
    public const SHIPPED = [
        self::COVER => 'This report was made for {asked by}. It tells what was measured at {site} from {first day} to {last day} in the'
            .' campaign “{campaign}”, what stands of it, and on what it rests.',
        self::SUMMARY => 'A result stands when the instrument was checked against a reference before and after it was used, and a'
            ." person has signed it. Each number is followed to what was read: the small figures lead to the notes.\n"
            .'“Undecided” means that the evidence leaves the value on either side of the limit: it is neither kept nor broken.',
        self::CAUTIONS => 'This report tells what was measured, where and when, and nothing else. It is no clearance to enter a space,'
            ." and no alarm.\nLimits are given with their source; the limit that binds is that of the place. The manual of each"
            ." instrument and the judgement of a licensed or certified practitioner stand above what is proposed here.\nWhat was"
            .' measured on one day says nothing of other days by itself: work, ventilation and materials change.',
    ];

    /** What stands in braces, and what it is. */
    public const PLACEHOLDERS = [
        'asked by' => 'who asked for the report',
        'title' => 'its title',
        'campaign' => 'title of the campaign',
        'site' => 'where it was measured',
        'first day' => 'first day of the runs in it',
        'last day' => 'last day of the runs in it',
        'runs' => 'how many runs are in it',
        'persons' => 'how many persons or places',
    ];

    /** @param array<string, string> $texts by name, as they stand in the house */
    public function __construct(private array $texts)
    {
    }

    /** @param array<string, string> $values by placeholder */
    public function filled(string $name, array $values): string
    {
        $text = $this->texts[$name] ?? self::SHIPPED[$name] ?? '';

        return strtr($text, array_combine(array_map(static fn (string $one): string => '{'.$one.'}', array_keys($values)), $values));
    }

    /** @return list<string> what stands in braces and is not known */
    public static function unknown(string $text): array
    {
        preg_match_all('/\{([^{}\n]*)\}/', $text, $found);

        return array_values(array_diff(array_unique($found[1]), array_keys(self::PLACEHOLDERS)));
    }
}
