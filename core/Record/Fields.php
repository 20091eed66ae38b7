<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/** One object of a record, read field by field; every error names the field's place. */
final readonly class Fields
{
    /** @param Faults|null $faults where faults are gathered; null: the first is thrown */
    private function __construct(private mixed $data, public string $path, public ?Faults $faults = null)
    {
    }

    public static function of(mixed $data, string $path = ''): self
    {
        return (new self([], $path))->within($data, $path);
    }

    /** The same, read to its end: what is wrong goes there, and something that can be read stands for it. */
    public function gathering(Faults $faults): self
    {
        return new self($this->data, $this->path, $faults);
    }

    /** What is wrong with a field. */
    public function refuse(string $name, string $problem): void
    {
        $this->wrong(new InvalidRecord($this->at($name), $problem));
    }

    private function wrong(InvalidRecord $fault): void
    {
        if ($this->faults === null) {
            throw $fault;
        }
        $this->faults->add($fault);
    }

    private function within(mixed $data, string $path): self
    {
        if (!\is_array($data) || ($data !== [] && array_is_list($data))) {
            $this->wrong(new InvalidRecord($path, 'must be an object.'));

            return new self([], $path, $this->faults);
        }

        return new self($data, $path, $this->faults);
    }

    /** @return array<string, mixed> the object as it stands */
    public function data(): array
    {
        /** @var array<string, mixed> */
        return \is_array($this->data) ? $this->data : [];
    }

    /** @return array<string, mixed> those of the named fields that are there */
    public function only(string ...$names): array
    {
        return array_intersect_key($this->data(), array_flip($names));
    }

    public function has(string $name): bool
    {
        return $this->raw($name) !== null;
    }

    public function raw(string $name): mixed
    {
        return \is_array($this->data) ? ($this->data[$name] ?? null) : null;
    }

    public function at(string $name): string
    {
        return $this->path.'/'.$name;
    }

    public function text(string $name): string
    {
        $text = $this->optionalText($name);
        if ($text === null || $text === '') {
            $this->refuse($name, 'is missing.');

            return '?';
        }

        return $text;
    }

    public function optionalText(string $name, int $longest = 500): ?string
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (!\is_string($value)) {
            $this->refuse($name, 'must be text.');

            return null;
        }
        if (mb_strlen($value) > $longest) {
            $this->refuse($name, \sprintf('is longer than %d characters.', $longest));
        }

        return trim($value);
    }

    /** A text that is one of several words, or an identifier: nothing stands around it. Empty counts as not there. */
    public function word(string $name): ?string
    {
        $value = $this->raw($name);
        if ($value !== null && !\is_string($value)) {
            $this->refuse($name, 'must be text.');

            return null;
        }

        return $value === '' ? null : $value;
    }

    /**
     * One of several words; null where it is not there.
     */
    public function oneOf(string $name, string ...$words): ?string
    {
        $value = $this->word($name);

        if ($value !== null && !\in_array($value, $words, true)) {
            $this->refuse($name, \sprintf('"%s" is not one of: %s.', mb_substr($value, 0, 60), implode(', ', $words)));

            return $words[0] ?? null;
        }

        return $value;
    }

    public function id(string $name): string
    {
        $id = $this->asked($name) ?? 'x';
        if (preg_match('/^[A-Za-z0-9][A-Za-z0-9._-]{0,39}$/D', $id) !== 1) {
            $this->refuse($name, 'must be 1 to 40 letters, digits, points, dashes or underscores, beginning with a letter or digit.');

            return 'x';
        }

        return $id;
    }

    public function flag(string $name): bool
    {
        $value = $this->raw($name) ?? false;
        if (!\is_bool($value)) {
            $this->refuse($name, 'must be true or false.');

            return false;
        }

        return $value;
    }

    public function decimal(string $name, string $least = '-1000000', string $most = '1000000'): Decimal
    {
        $decimal = $this->optionalDecimal($name, $least, $most);
        if ($decimal === null) {
            $this->refuse($name, 'is missing.');
        }

        return $decimal ?? Decimal::parse('1');
    }

    public function optionalDecimal(string $name, string $least = '-1000000', string $most = '1000000'): ?Decimal
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (!\is_string($value)) {
            $this->refuse($name, 'must be a number written as text, so that its digits are kept, such as "93.6".');

            return null;
        }
        try {
            $decimal = Decimal::parse($value);
        } catch (MalformedDecimal $problem) {
            $this->refuse($name, $problem->getMessage());

            return null;
        }
        if ($decimal->value->compareTo(Decimal::parse($least)->value) < 0 || $decimal->value->compareTo(Decimal::parse($most)->value) > 0) {
            $this->refuse($name, \sprintf('must lie between %s and %s; %s was given.', $least, $most, $decimal->written));
        }

        return $decimal;
    }

    public function optionalNumber(string $name, float $least, float $most): ?float
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (\is_string($value)) {
            return $this->optionalDecimal($name, (string) $least, (string) $most)?->value->toFloat();
        }
        if ((!\is_int($value) && !\is_float($value)) || !is_finite((float) $value) || $value < $least || $value > $most) {
            $this->refuse($name, \sprintf('must be a number between %s and %s.', $least, $most));

            return null;
        }

        return (float) $value;
    }

    public function moment(string $name): \DateTimeImmutable
    {
        $moment = $this->optionalMoment($name);
        if ($moment === null) {
            $this->refuse($name, 'is missing.');
        }

        return $moment ?? new \DateTimeImmutable('@0');
    }

    /** An ISO 8601 moment with its offset from UTC. */
    public function optionalMoment(string $name): ?\DateTimeImmutable
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (!\is_string($value) || preg_match('/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,6})?)?(Z|[+-]\d{2}:\d{2})$/D', $value) !== 1) {
            $this->refuse($name, 'must be a date and time with its offset, such as 2026-03-02T07:45:00+00:00.');

            return null;
        }
        try {
            $moment = new \DateTimeImmutable($value);
        } catch (\Exception) {
            $moment = null;
        }
        if (substr($value, 0, 10) !== $moment?->format('Y-m-d')) {
            $this->refuse($name, 'is no date and time of the calendar.');

            return null;
        }

        return $moment;
    }

    public function day(string $name): \DateTimeImmutable
    {
        $value = $this->asked($name) ?? '1970-01-01';
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $value, new \DateTimeZone('UTC'));
        if ($day === false || $day->format('Y-m-d') !== $value) {
            $this->refuse($name, 'must be a day such as 2026-03-02.');

            return new \DateTimeImmutable('@0');
        }

        return $day;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     */
    public function choice(string $name, string $enum): \BackedEnum
    {
        $value = $this->asked($name);
        $case = $value === null ? null : $enum::tryFrom($value);
        if ($value !== null && $case === null) {
            $this->refuse($name, \sprintf(
                '"%s" is not one of: %s.',
                $value,
                implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases())),
            ));
        }

        return $case ?? $enum::cases()[0];
    }

    /** A word that must be there. */
    private function asked(string $name): ?string
    {
        $word = $this->word($name);
        if ($word === null) {
            $this->refuse($name, 'is missing.');
        }

        return $word;
    }

    public function object(string $name): self
    {
        return $this->within($this->raw($name), $this->at($name));
    }

    public function optionalObject(string $name): ?self
    {
        return $this->has($name) ? $this->object($name) : null;
    }

    /** @return list<self> */
    public function objects(string $name): array
    {
        $value = $this->raw($name) ?? [];
        if (!\is_array($value) || !array_is_list($value)) {
            $this->refuse($name, 'must be a list.');

            return [];
        }
        $objects = [];
        foreach ($value as $place => $item) {
            $objects[] = $this->within($item, $this->at($name).'/'.$place);
        }

        return $objects;
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        $value = $this->raw($name) ?? [];
        $texts = array_filter(\is_array($value) ? $value : [], \is_string(...));
        if (!\is_array($value) || \count($texts) < \count($value)) {
            $this->refuse($name, 'must be a list of texts.');
        }

        return array_values($texts);
    }

    /** @return array<string, mixed> */
    public function map(string $name): array
    {
        $value = $this->raw($name) ?? [];
        if (!\is_array($value) || ($value !== [] && array_is_list($value))) {
            $this->refuse($name, 'must be an object.');

            return [];
        }

        /** @var array<string, mixed> $value */
        return $value;
    }
}
