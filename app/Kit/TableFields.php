<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Record\ContentFormat;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** What a column of a table of units can hold, for one family: what stands in one cell. */
#[Exclude]
final readonly class TableFields
{
    public const CERTIFICATE = ['certificate' => 'number', 'laboratory' => 'laboratory', 'issued' => 'issued', 'due' => 'due'];

    private const SIMPLE = [EntryKind::Text, EntryKind::Decimal, EntryKind::Measured, EntryKind::Choice, EntryKind::Flag];

    private const WORDS = [
        'id' => 'Asset number',
        'model' => 'Model code',
        'serial' => 'Serial number',
        'certificate' => 'Certificate number',
        'laboratory' => 'Laboratory',
        'issued' => 'Issued',
        'due' => 'Due',
    ];

    /** How a column of each is often called, besides by its words. */
    private const ALSO = [
        'id' => ['asset', 'unit', 'instrument', 'inventory number', 'equipment'],
        'model' => ['model', 'type'],
        'serial' => ['serial', 's/n', 'sn', 'serial no'],
        'certificate' => ['certificate', 'calibration certificate', 'cert no'],
        'laboratory' => ['lab', 'calibrated by'],
        'issued' => ['calibrated', 'calibration date', 'date of calibration', 'date issued'],
        'due' => ['due date', 'calibration due', 'next calibration', 'valid until'],
    ];

    /** @var list<Entry> */
    public array $entries;

    public function __construct(ContentFormat $format)
    {
        $this->entries = array_values(array_filter(
            $format->instrument(),
            static fn (Entry $entry): bool => \in_array($entry->kind, self::SIMPLE, true),
        ));
    }

    /** @return list<array{name: string, label: string, required: bool}> */
    public function all(): array
    {
        $fields = [];
        foreach (self::WORDS as $name => $label) {
            $fields[] = ['name' => $name, 'label' => $label, 'required' => $name === 'id' || $name === 'model'];
        }
        foreach ($this->entries as $entry) {
            $fields[] = ['name' => $entry->name, 'label' => $entry->words->label, 'required' => $entry->required];
        }

        return $fields;
    }

    public function entry(string $name): ?Entry
    {
        foreach ($this->entries as $entry) {
            if ($entry->name === $name) {
                return $entry;
            }
        }

        return null;
    }

    /**
     * What each column seems to hold, by its heading: each field once, the first column that is called so.
     *
     * @param list<string> $header
     *
     * @return array<string, int> place of the column by field
     */
    public function guess(array $header): array
    {
        $plain = static fn (string $words): string => trim((string) preg_replace('/[^a-z0-9]+/', ' ', mb_strtolower($words)));
        $heads = array_map($plain, $header);
        $guess = [];
        foreach ($this->all() as $field) {
            $called = [$field['label'], $field['name'], ...self::ALSO[$field['name']] ?? []];
            foreach (array_map($plain, $called) as $name) {
                $place = array_search($name, $heads, true);
                if (\is_int($place) && !\in_array($place, $guess, true)) {
                    $guess[$field['name']] ??= $place;
                }
            }
        }

        return $guess;
    }
}
