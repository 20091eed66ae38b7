<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Record\CertificateTable;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\ReferenceKind;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** What a column of a table of units of a family, or of references of a kind, can hold: what stands in one cell. */
#[Exclude]
final readonly class TableFields
{
    public const CERTIFICATE = ['certificate' => 'number', 'laboratory' => 'laboratory', 'issued' => 'issued', 'due' => 'due'];

    private const SIMPLE = [EntryKind::Text, EntryKind::Decimal, EntryKind::Measured, EntryKind::Choice, EntryKind::Flag];

    /** A row of certified values: the only one that a line of a table has room for. */
    public const VALUES = ['nominal', 'certified', 'uncertainty'];

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

    /**
     * @param list<Entry>           $entries   of the thing itself
     * @param list<Entry>           $constants of its certificate
     * @param CertificateTable|null $table     of certified values in its certificate
     */
    private function __construct(private array $entries, private array $constants, private ?CertificateTable $table)
    {
    }

    public static function ofFamily(ContentFormat $format): self
    {
        return new self(self::simple($format->instrument()), [], null);
    }

    public static function ofKind(ReferenceKind $kind): self
    {
        return new self(self::simple($kind->entries), self::simple($kind->constants), $kind->table);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private static function simple(array $entries): array
    {
        return array_values(array_filter($entries, static fn (Entry $one): bool => \in_array($one->kind, self::SIMPLE, true)));
    }

    /** @return list<array{name: string, label: string, required: bool}> */
    public function all(): array
    {
        $fields = [];
        foreach (self::WORDS as $name => $label) {
            $fields[] = ['name' => $name, 'label' => $label, 'required' => $name === 'id' || $name === 'model'];
        }
        foreach ([...$this->entries, ...$this->constants] as $entry) {
            $fields[] = ['name' => $entry->name, 'label' => $entry->words->label, 'required' => $entry->required];
        }
        if ($this->table !== null) {
            $unit = $this->table->unit->value;
            foreach ([
                'nominal' => ucfirst($this->table->nominal),
                'certified' => 'Certified, '.$unit,
                'uncertainty' => 'Uncertainty, '.$unit,
            ] as $name => $label) {
                $fields[] = ['name' => $name, 'label' => $label, 'required' => $this->table->required && $name !== 'uncertainty'];
            }
            foreach ($this->beside() as $entry) {
                $fields[] = ['name' => $entry->name, 'label' => $entry->words->label, 'required' => $entry->required];
            }
        }

        return $fields;
    }

    /** Of the thing itself; null where it is none. */
    public function entry(string $name): ?Entry
    {
        return self::named($this->entries, $name);
    }

    /** Of its certificate; null where it is none. */
    public function constant(string $name): ?Entry
    {
        return self::named($this->constants, $name);
    }

    /** Whether it stands in the row of certified values. */
    public function isOfValues(string $name): bool
    {
        return $this->table !== null && (\in_array($name, self::VALUES, true) || self::named($this->beside(), $name) !== null);
    }

    /** @return list<Entry> */
    private function beside(): array
    {
        return self::simple($this->table->beside ?? []);
    }

    /** @param list<Entry> $entries */
    private static function named(array $entries, string $name): ?Entry
    {
        foreach ($entries as $entry) {
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
