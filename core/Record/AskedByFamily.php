<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/** What each family alone asks of a check or a run: the record is flat, and a schema cannot tell whose field it is. */
final readonly class AskedByFamily
{
    /** @var array<string, non-empty-array<string, int>> names of fields, as keys, by family */
    private array $names;

    public function __construct(Formats $formats)
    {
        $this->names = array_map(
            static fn (ContentFormat $format): array => array_flip([
                $format->section(),
                ...Entry::names($format->run()),
            ]),
            $formats->all(),
        );
    }

    /** @throws InvalidRecord naming the first field that only other families ask for */
    public function refuseForeign(string $family, Fields $item): void
    {
        foreach ($this->names as $names) {
            foreach (array_keys(array_diff_key($names, $this->names[$family] ?? [])) as $name) {
                if ($item->has($name)) {
                    throw new InvalidRecord($item->at($name), \sprintf('is not asked of a %s.', $family));
                }
            }
        }
    }
}
