<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

/** A scene whose record is written item by item. */
trait WrittenRecord
{
    /** @var array<string, mixed> */
    public array $record;

    /** @return array<string, string> its logs by name */
    protected function logs(): array
    {
        return [];
    }

    /** Writes the record and its logs into a folder, as footnote:assess reads them. */
    public function keepIn(string $folder): void
    {
        file_put_contents($folder.'/record.json', json_encode($this->record, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
        foreach ($this->logs() as $name => $text) {
            file_put_contents($folder.'/'.$name, $text);
        }
    }

    /** @param array<string, mixed> $item */
    public function add(string $list, array $item): void
    {
        $items = $this->record[$list] ?? [];
        \assert(\is_array($items));
        $this->record[$list] = [...$items, $item];
    }

    /** @param array<string, mixed> $more */
    public function limit(string $quantity, string $value, string $unit = '', array $more = []): self
    {
        $campaign = $this->record['campaign'];
        \assert(\is_array($campaign) && \is_array($campaign['limits']));
        $campaign['limits'][] = [
            'id' => 'l'.\count($campaign['limits']),
            'title' => 'limit',
            'quantity' => $quantity,
            'value' => $value,
            'comparator' => '>',
            'source' => 's',
            'mark' => 'own',
            ...($unit === '' ? [] : ['unit' => $unit]),
            ...$more,
        ];
        $this->record['campaign'] = $campaign;

        return $this;
    }
}
