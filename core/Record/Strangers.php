<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/**
 * Finds what a record holds and nobody asked for: a field of another family, a misspelt one, a null. What is asked for is read
 * by its reader, which says more of what is wrong with it.
 */
final readonly class Strangers
{
    /** @var array<string, mixed> of the whole record */
    private array $schema;

    public function __construct(RecordSchema $asked)
    {
        $this->schema = $asked->schema();
    }

    /**
     * Of one piece of a record, such as an instrument.
     *
     * @throws InvalidRecord naming the first
     */
    public function inPiece(string $name, mixed $data): void
    {
        $this->look(Shape::ref($name), $data, '');
    }

    /** @throws InvalidRecord naming the first */
    public function inRecord(mixed $data): void
    {
        $this->look($this->schema, $data, '');
    }

    /** @param array<mixed> $shape */
    private function look(array $shape, mixed $data, string $path): void
    {
        if ($data === null) {
            throw new InvalidRecord($path, 'is null: leave it out.');
        }
        if (!\is_array($data)) {
            return;
        }
        if (\is_string($shape['$ref'] ?? null)) {
            $this->look(self::part(self::part($this->schema, '$defs'), substr($shape['$ref'], \strlen('#/$defs/'))), $data, $path);
        }
        foreach (\is_array($shape['allOf'] ?? null) ? $shape['allOf'] : [] as $one) {
            if (\is_array($one) && self::isMeant(self::part($one, 'if'), $data)) {
                $this->look(self::part($one, 'then'), $data, $path);
            }
        }
        if (\is_array($shape['anyOf'] ?? null)) {
            $this->lookAt($shape['anyOf'], $data, $path);
        }
        if (array_is_list($data)) {
            foreach (isset($shape['items']) ? $data : [] as $place => $item) {
                $this->look(self::part($shape, 'items'), $item, $path.'/'.$place);
            }

            return;
        }
        $this->fields($shape, $data, $path);
    }

    /**
     * @param array<mixed> $shape
     * @param array<mixed> $data
     */
    private function fields(array $shape, array $data, string $path): void
    {
        $known = self::part($shape, 'properties');
        $others = $shape['additionalProperties'] ?? true;
        foreach ($data as $name => $value) {
            if (isset($known[$name]) && \is_array($known[$name])) {
                $this->look($known[$name], $value, $path.'/'.$name);
            } elseif (\is_array($others)) {
                $this->look($others, $value, $path.'/'.$name);
            } elseif ($others === false && !isset($known[$name])) {
                throw new InvalidRecord($path.'/'.$name, 'is not asked here.');
            }
        }
    }

    /**
     * Any of several shapes: nothing is strange where one of them knows all of it.
     *
     * @param array<mixed> $shapes
     * @param array<mixed> $data
     */
    private function lookAt(array $shapes, array $data, string $path): void
    {
        $first = null;
        foreach ($shapes as $shape) {
            if (!\is_array($shape) || isset($shape['enum']) || ($shape['type'] ?? null) === 'number') {
                continue;
            }
            try {
                $this->look($shape, $data, $path);

                return;
            } catch (InvalidRecord $problem) {
                $first ??= $problem;
            }
        }
        if ($first !== null) {
            throw $first;
        }
    }

    /**
     * @param array<mixed> $if
     * @param array<mixed> $data
     */
    private static function isMeant(array $if, array $data): bool
    {
        foreach (self::part($if, 'properties') as $name => $one) {
            if (!\is_array($one) || ($data[$name] ?? null) !== ($one['const'] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<mixed> $shape
     *
     * @return array<mixed>
     */
    private static function part(array $shape, string $name): array
    {
        $part = $shape[$name] ?? [];

        return \is_array($part) ? $part : [];
    }
}
