<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** The texts of a report that a steward may write anew, and what may stand in them in braces. */
final readonly class HouseTexts
{
    public const COVER = 'cover';
    public const SUMMARY = 'summary';
    public const CAUTIONS = 'cautions';
    public const LETTER = 'letter';

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
        self::LETTER => "To {to}\n\nWe measured at {site} in the campaign “{campaign}” with instruments that were checked against our"
            ." reference {reference}. It has turned out to be wrong: {found}. It may have been so since {since}.\n\n{report}\n\n"
            ."What changes:\n{results}\n\nPlease put this letter beside what you have. Where a limit is concerned, act on the number"
            .' that is less favourable until you hear from us.',
    ];

    /** What stands in braces in the texts of a report, and what it is. */
    private const OF_REPORTS = [
        'asked by' => 'who asked for the report',
        'title' => 'its title',
        'campaign' => 'title of the campaign',
        'site' => 'where it was measured',
        'first day' => 'first day of the runs in it',
        'last day' => 'last day of the runs in it',
        'runs' => 'how many runs are in it',
        'persons' => 'how many persons or places',
    ];

    /** And in the letter of a recall. */
    private const OF_LETTERS = [
        'to' => 'who asked for the report',
        'site' => 'where it was measured',
        'campaign' => 'title of the campaign',
        'reference' => 'what was recalled',
        'found' => 'what was found, and how far it was off',
        'since' => 'since when it may have been wrong',
        'report' => 'which report tells of it, or that none was issued',
        'results' => 'each result that changes, with both values',
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

    /** @return array<string, string> what may stand in braces in a text, and what it is */
    public static function placeholders(string $name): array
    {
        return $name === self::LETTER ? self::OF_LETTERS : self::OF_REPORTS;
    }

    /** @return list<string> what stands in braces in a text and is not known there */
    public static function unknown(string $name, string $text): array
    {
        preg_match_all('/\{([^{}\n]*)\}/', $text, $found);

        return array_values(array_diff(array_unique($found[1]), array_keys(self::placeholders($name))));
    }
}
