<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/** One object of a record, read field by field; every error names the field's place. */
final readonly class Fields
{
    private function __construct(private mixed $data, public string $path)
    {
    }

    public static function of(mixed $data, string $path = ''): self
    {
        if (!\is_array($data) || ($data !== [] && array_is_list($data))) {
            throw new InvalidRecord($path, 'must be an object.');
        }

        return new self($data, $path);
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
            throw new InvalidRecord($this->at($name), 'is missing.');
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
            throw new InvalidRecord($this->at($name), 'must be text.');
        }
        if (mb_strlen($value) > $longest) {
            throw new InvalidRecord($this->at($name), \sprintf('is longer than %d characters.', $longest));
        }

        return trim($value);
    }

    /** A text that is one of several words, or an identifier: nothing stands around it. Empty counts as not there. */
    public function word(string $name): ?string
    {
        $value = $this->raw($name);
        if ($value !== null && !\is_string($value)) {
            throw new InvalidRecord($this->at($name), 'must be text.');
        }

        return $value === '' ? null : $value;
    }

    /**
     * One of several words; null where it is not there.
     */
    public function oneOf(string $name, string ...$words): ?string
    {
        $value = $this->word($name);

        return $value === null || \in_array($value, $words, true)
            ? $value
            : throw new InvalidRecord(
                $this->at($name),
                \sprintf('"%s" is not one of: %s.', mb_substr($value, 0, 60), implode(', ', $words)),
            );
    }

    public function id(string $name): string
    {
        $id = $this->word($name) ?? throw new InvalidRecord($this->at($name), 'is missing.');
        if (preg_match('/^[A-Za-z0-9][A-Za-z0-9._-]{0,39}$/D', $id) !== 1) {
            throw new InvalidRecord(
                $this->at($name),
                'must be 1 to 40 letters, digits, points, dashes or underscores, beginning with a letter or digit.',
            );
        }

        return $id;
    }

    public function flag(string $name): bool
    {
        $value = $this->raw($name) ?? false;
        if (!\is_bool($value)) {
            throw new InvalidRecord($this->at($name), 'must be true or false.');
        }

        return $value;
    }

    public function decimal(string $name, string $least = '-1000000', string $most = '1000000'): Decimal
    {
        return $this->optionalDecimal($name, $least, $most) ?? throw new InvalidRecord($this->at($name), 'is missing.');
    }

    public function optionalDecimal(string $name, string $least = '-1000000', string $most = '1000000'): ?Decimal
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (!\is_string($value)) {
            throw new InvalidRecord($this->at($name), 'must be a number written as text, so that its digits are kept, such as "93.6".');
        }
        try {
            $decimal = Decimal::parse($value);
        } catch (MalformedDecimal $problem) {
            throw new InvalidRecord($this->at($name), $problem->getMessage());
        }
        if ($decimal->value->compareTo(Decimal::parse($least)->value) < 0 || $decimal->value->compareTo(Decimal::parse($most)->value) > 0) {
            throw new InvalidRecord(
                $this->at($name),
                \sprintf('must lie between %s and %s; %s was given.', $least, $most, $decimal->written),
            );
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
            throw new InvalidRecord($this->at($name), \sprintf('must be a number between %s and %s.', $least, $most));
        }

        return (float) $value;
    }

    public function moment(string $name): \DateTimeImmutable
    {
        return $this->optionalMoment($name) ?? throw new InvalidRecord($this->at($name), 'is missing.');
    }

    /** An ISO 8601 moment with its offset from UTC. */
    public function optionalMoment(string $name): ?\DateTimeImmutable
    {
        $value = $this->raw($name);
        if ($value === null) {
            return null;
        }
        if (!\is_string($value) || preg_match('/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,6})?)?(Z|[+-]\d{2}:\d{2})$/D', $value) !== 1) {
            throw new InvalidRecord($this->at($name), 'must be a date and time with its offset, such as 2026-03-02T07:45:00+00:00.');
        }
        try {
            $moment = new \DateTimeImmutable($value);
        } catch (\Exception) {
            throw new InvalidRecord($this->at($name), 'is no date and time of the calendar.');
        }
        if (substr($value, 0, 10) !== $moment->format('Y-m-d')) {
            throw new InvalidRecord($this->at($name), 'is no date and time of the calendar.');
        }

        return $moment;
    }

    public function day(string $name): \DateTimeImmutable
    {
        $value = $this->word($name) ?? throw new InvalidRecord($this->at($name), 'is missing.');
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $value, new \DateTimeZone('UTC'));
        if ($day === false || $day->format('Y-m-d') !== $value) {
            throw new InvalidRecord($this->at($name), 'must be a day such as 2026-03-02.');
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
        $value = $this->word($name) ?? throw new InvalidRecord($this->at($name), 'is missing.');

        return $enum::tryFrom($value) ?? throw new InvalidRecord(
            $this->at($name),
            \sprintf(
                '"%s" is not one of: %s.',
                $value,
                implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases())),
            ),
        );
    }

    public function object(string $name): self
    {
        return self::of($this->raw($name), $this->at($name));
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
            throw new InvalidRecord($this->at($name), 'must be a list.');
        }
        $objects = [];
        foreach ($value as $place => $item) {
            $objects[] = self::of($item, $this->at($name).'/'.$place);
        }

        return $objects;
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        $value = $this->raw($name) ?? [];
        if (!\is_array($value)) {
            throw new InvalidRecord($this->at($name), 'must be a list of texts.');
        }
        $texts = [];
        foreach ($value as $item) {
            if (!\is_string($item)) {
                throw new InvalidRecord($this->at($name), 'must be a list of texts.');
            }
            $texts[] = $item;
        }

        return $texts;
    }

    /** @return array<string, mixed> */
    public function map(string $name): array
    {
        $value = $this->raw($name) ?? [];
        if (!\is_array($value) || ($value !== [] && array_is_list($value))) {
            throw new InvalidRecord($this->at($name), 'must be an object.');
        }

        /** @var array<string, mixed> $value */
        return $value;
    }
}
