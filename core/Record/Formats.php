<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/** What the families that Footnote knows write down, each in the record format: handed in from the entrance, known by none below. */
final readonly class Formats
{
    /** @param array<string, ContentFormat> $formats by family */
    public function __construct(private array $formats)
    {
    }

    /** @throws InvalidRecord where there is no such family */
    public function of(string $family): ContentFormat
    {
        return $this->find($family)
            ?? throw new InvalidRecord('/instruments', \sprintf('there is no family of instruments "%s".', $family));
    }

    public function find(string $family): ?ContentFormat
    {
        return $this->formats[$family] ?? null;
    }

    /** @return array<string, ContentFormat> by family */
    public function all(): array
    {
        return $this->formats;
    }

    /**
     * The section of a check, from the answers of a half-done one.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public function answered(string $family, array $answers): array
    {
        $format = $this->of($family);

        return Answers::section($format->check(), $format instanceof TranslatesAnswers ? $format->translate($answers) : $answers);
    }

    /** @return array<string, ReferenceKind> by its identifier */
    public function referenceKinds(): array
    {
        $kinds = [];
        foreach ($this->formats as $format) {
            foreach ($format->referenceKinds() as $kind) {
                $kinds[$kind->id] = $kind;
            }
        }

        return $kinds;
    }

    public function referenceKind(string $id): ?ReferenceKind
    {
        return $this->referenceKinds()[$id] ?? null;
    }

    /** @return array<string, Shelf> by its identifier */
    public function shelves(): array
    {
        $shelves = [];
        foreach ($this->formats as $format) {
            foreach ($format instanceof KeepsShelves ? $format->shelves() : [] as $shelf) {
                $shelves[$shelf->id] = $shelf;
            }
        }

        return $shelves;
    }

    public function shelf(string $id): ?Shelf
    {
        return $this->shelves()[$id] ?? null;
    }

    /**
     * Refuses in a check or a run what only other families ask: the record is flat, and lets it stand.
     *
     * @throws InvalidRecord naming the first
     */
    public function refuseForeign(string $family, Fields $item): void
    {
        $own = $this->of($family);
        $names = array_flip([$own->section(), ...array_map(static fn (Entry $entry): string => $entry->name, $own->run())]);
        foreach ($this->formats as $format) {
            foreach ([$format->section(), ...array_map(static fn (Entry $entry): string => $entry->name, $format->run())] as $name) {
                if (!isset($names[$name]) && $item->has($name)) {
                    throw new InvalidRecord($item->at($name), \sprintf('is not asked of a %s.', $family));
                }
            }
        }
    }

    /** The criteria and limits that come with Footnote, as examples with their sources, from every family. */
    public function yardsticks(): ShippedYardsticks
    {
        $all = ['criteria' => [], 'limits' => []];
        foreach ($this->formats as $format) {
            $shipped = $format instanceof ShipsYardsticks ? $format->shipped() : ['criteria' => [], 'limits' => []];
            $all = ['criteria' => [...$all['criteria'], ...$shipped['criteria']], 'limits' => [...$all['limits'], ...$shipped['limits']]];
        }

        return new ShippedYardsticks($all);
    }
}
