<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/**
 * Finds what somebody sent and nobody asked for: a field of another family, a misspelt one, in a record a null. What is asked
 * for is read by its reader, which says more of what is wrong with it.
 */
final readonly class Strangers
{
    /**
     * @param array<string, mixed> $schema with its parts under $defs
     * @param bool                 $nulls  whether a null is taken for nothing told
     */
    public function __construct(private array $schema, private bool $nulls = false)
    {
    }

    public static function toRecord(Formats $formats): self
    {
        return new self((new RecordSchema($formats))->schema());
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

    /**
     * Of the whole that the schema describes.
     *
     * @throws InvalidRecord naming the first
     */
    public function in(mixed $data): void
    {
        $this->look($this->schema, $data, '');
    }

    /**
     * Of one entry of a shelf.
     *
     * @throws InvalidRecord naming the first, as the entry calls it
     */
    public function inEntry(string $shelf, mixed $data): void
    {
        self::below('/library/'.$shelf.'/0', fn () => $this->look($this->schema, ['library' => [$shelf => [$data]]], ''));
    }

    /**
     * Of one certificate.
     *
     * @param array<string, string> $of what tells the certificates of one kind from those of another
     *
     * @throws InvalidRecord naming the first, as the certificate calls it
     */
    public function inCertificate(string $piece, array $of, mixed $data): void
    {
        self::below('/certificates/0', fn () => $this->look(Shape::ref($piece), [...$of, 'certificates' => [$data]], ''));
    }

    /** @param \Closure(): void $look */
    private static function below(string $place, \Closure $look): void
    {
        try {
            $look();
        } catch (InvalidRecord $problem) {
            throw new InvalidRecord(substr($problem->path, \strlen($place)), $problem->problem);
        }
    }

    /** @param array<mixed> $shape */
    private function look(array $shape, mixed $data, string $path): void
    {
        if ($data === null && !$this->nulls) {
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
