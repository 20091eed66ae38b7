<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\CommonIntervention;
use Footnote\Core\Evidence\CommonRemark;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Log\ColumnKind;

/** What the families that Footnote knows write down, each in the record format: handed in from the entrance, known by none below. */
final class Formats
{
    /** @var array<string, ReferenceKind>|null by its identifier; made when first asked for, since they are asked for again and again */
    private ?array $kinds = null;

    /**
     * @param array<string, ContentFormat> $formats by family
     * @param list<Shelf>                  $shelves that are of no family
     */
    public function __construct(private readonly array $formats, private readonly array $shelves = [])
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
        if ($this->kinds === null) {
            $this->kinds = [];
            foreach ($this->formats as $format) {
                foreach ($format->referenceKinds() as $kind) {
                    $this->kinds[$kind->id] = $kind;
                }
            }
        }

        return $this->kinds;
    }

    /** @return list<InterventionKind> what may be done to any unit, and to those of each family; some stand several times */
    public function interventions(): array
    {
        return [
            ...CommonIntervention::cases(),
            ...array_merge(...array_map(static fn (ContentFormat $one): array => $one->interventions(), array_values($this->formats))),
        ];
    }

    /** @return list<Routine> what is done again and again to any unit, and to those of each family */
    public function routines(?string $family = null): array
    {
        $formats = $family === null ? array_values($this->formats) : [$this->of($family)];

        return [
            ...CommonRoutine::cases(),
            ...array_merge(...array_map(static fn (ContentFormat $one): array => $one->routines(), $formats)),
        ];
    }

    /** @return list<RemarkKind> what may be reported of runs */
    public function remarks(?string $family = null): array
    {
        $formats = $family === null ? array_values($this->formats) : [$this->of($family)];

        return [...CommonRemark::cases(), ...array_merge(...array_map(static fn (ContentFormat $one): array => $one->remarks(), $formats))];
    }

    public function logFormats(): LogFormatReader
    {
        return new LogFormatReader($this->columnKinds());
    }

    /** @return list<ColumnKind> what columns of logs may hold, each once */
    public function columnKinds(): array
    {
        $kinds = [];
        foreach ($this->formats as $format) {
            foreach ($format instanceof KeepsLogs ? $format->logColumns() : [] as $kind) {
                $kinds[$kind->id()] = $kind;
            }
        }

        return array_values($kinds);
    }

    public function referenceKind(string $id): ?ReferenceKind
    {
        return $this->referenceKinds()[$id] ?? null;
    }

    /** @return array<string, Shelf> by its identifier */
    public function shelves(): array
    {
        $shelves = array_combine(array_map(static fn (Shelf $shelf): string => $shelf->id, $this->shelves), $this->shelves);
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
     * The criteria and limits that come with Footnote, as examples with their sources, from every family.
     *
     * @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>}
     */
    public function shipped(): array
    {
        $all = ['criteria' => [], 'limits' => []];
        foreach ($this->formats as $format) {
            if ($format instanceof ShipsYardsticks) {
                $own = $format->shipped();
                $all = ['criteria' => [...$all['criteria'], ...$own['criteria']], 'limits' => [...$all['limits'], ...$own['limits']]];
            }
        }

        return $all;
    }

    /** @return list<YardstickSet> what a campaign may be begun with */
    public function sets(): array
    {
        $sets = [];
        foreach ($this->formats as $format) {
            array_push($sets, ...($format instanceof ShipsYardsticks ? $format->sets() : []));
        }

        return $sets;
    }

    /**
     * The criteria and limits of some sets, in the order in which they come with Footnote.
     *
     * @param list<string> $ids
     *
     * @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>}
     *
     * @throws InvalidRecord at /sets where there is no such set, or two of which only one holds
     */
    public function begunWith(array $ids): array
    {
        $criteria = [];
        $limits = [];
        $taken = [];
        foreach ($ids as $id) {
            $set = array_values(array_filter($this->sets(), static fn (YardstickSet $one): bool => $one->id === $id))[0]
                ?? throw new InvalidRecord('/sets', \sprintf('there is no set "%s".', $id));
            $other = $set->oneOf === '' ? null : ($taken[$set->oneOf] ?? null);
            if ($other !== null && $other->id !== $set->id) {
                throw new InvalidRecord('/sets', \sprintf('only one holds: "%s" or "%s".', $other->title, $set->title));
            }
            if ($set->oneOf !== '') {
                $taken[$set->oneOf] = $set;
            }
            array_push($criteria, ...$set->criteria);
            array_push($limits, ...$set->limits);
        }
        $shipped = $this->shipped();
        $among = static fn (array $chosen): \Closure => static fn (array $one): bool => \in_array($one['id'] ?? '', $chosen, true);

        return [
            'criteria' => array_values(array_filter($shipped['criteria'], $among($criteria))),
            'limits' => array_values(array_filter($shipped['limits'], $among($limits))),
        ];
    }
}
