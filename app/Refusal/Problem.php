<?php

declare(strict_types=1);

namespace Footnote\App\Refusal;

/** What was asked and cannot be done: what was wrong, which field, what was kept, and the kind of refusal as a status of HTTP. */
final class Problem extends \RuntimeException
{
    /**
     * @param list<array{field: string, problem: string}> $fields
     * @param bool                                        $isOfFields whether all that it says is what is wrong with them
     */
    public function __construct(
        public readonly int $status,
        string $detail,
        public readonly array $fields = [],
        public readonly bool $isOfFields = false,
    ) {
        parent::__construct($detail);
    }

    public static function field(string $field, string $problem): self
    {
        return self::fields([['field' => $field, 'problem' => $problem]]);
    }

    /**
     * @param non-empty-list<array{field: string, problem: string}> $fields
     * @param (\Closure(string): ?string)|null                      $label of a field by its name, as the form has it
     */
    public static function fields(array $fields, ?\Closure $label = null): self
    {
        $told = array_map(static function (array $one) use ($label): string {
            // "/flow/designFlow/value" is the design flow.
            $named = array_filter(
                explode('/', $one['field']),
                static fn (string $part): bool => !ctype_digit($part) && !\in_array($part, ['', 'value', 'unit'], true),
            );
            $name = (string) end($named);

            return ucfirst(($label === null ? null : $label($name)) ?? self::lastName($one['field'])).': '.$one['problem'];
        }, $fields);

        return new self(422, 'Nothing was saved. '.implode(' ', $told), $fields, true);
    }

    public static function missing(string $what): self
    {
        return new self(404, $what.' is not in this logbook.');
    }

    /** The same of what stands at a place of something larger. */
    public function below(string $place): self
    {
        $fields = [];
        foreach ($this->fields as $one) {
            $fields[] = [...$one, 'field' => $place.$one['field']];
        }

        return new self($this->status, $this->getMessage(), $fields, $this->isOfFields);
    }

    private static function lastName(string $path): string
    {
        $name = basename($path);

        // A number alone says nothing: "line 62".
        return trim(
            strtolower((string) preg_replace('/(?<!^)[A-Z]/', ' $0', ctype_digit($name) ? basename(\dirname($path)).' '.$name : $name)),
        );
    }
}
