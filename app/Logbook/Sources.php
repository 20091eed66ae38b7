<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Derivation\Catalogue;
use Footnote\Core\Derivation\SourceMark;

/** The sources that equations and rules name from memory, and which of them somebody has held against their text since. */
final readonly class Sources
{
    public function __construct(private Connection $connection, private Catalogue $catalogue, private Policies $policies)
    {
    }

    /** @return list<array{source: string, names: list<string>}> each once, with the equations and rules that name it */
    public function fromMemory(): array
    {
        $names = [];
        foreach ($this->catalogue->equations as $equation) {
            if ($equation->mark() === SourceMark::FromMemory) {
                $names['='.$equation->source()][] = $equation->id();
            }
        }
        foreach ($this->policies->newest() as $key) {
            foreach ($this->policies->data($key)['rules'] as $rule) {
                if (($rule['mark'] ?? '') === SourceMark::FromMemory->value) {
                    $names['='.rtrim($rule['source'] ?? '', '.')][] = $rule['title'] ?? '';
                }
            }
        }
        ksort($names);
        $sources = [];
        foreach ($names as $source => $by) {
            $sources[] = ['source' => substr($source, 1), 'names' => array_values(array_unique($by))];
        }

        return $sources;
    }

    /** @return list<array{source: string, edition: string, clause: string, on: string, by: string}> the newest of each source */
    public function confirmed(): array
    {
        return array_map(
            static fn (array $row): array => [
                'source' => Cells::text($row, 'source'),
                'edition' => Cells::text($row, 'edition'),
                'clause' => Cells::text($row, 'clause'),
                'on' => Cells::text($row, 'confirmed_on'),
                'by' => Cells::text($row, 'recorded_by'),
            ],
            $this->connection->fetchAllAssociative(
                'SELECT source, edition, clause, confirmed_on, recorded_by FROM confirmed_source
                 WHERE id IN (SELECT MAX(id) FROM confirmed_source GROUP BY source) ORDER BY source',
            ),
        );
    }
}
