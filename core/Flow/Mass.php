<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\MalformedDecimal;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** A mass as a laboratory wrote it, signed, or "less than" one. */
final readonly class Mass
{
    public function __construct(public Decimal $value, public Unit $unit, public bool $lessThan)
    {
    }

    /**
     * A mass as a laboratory writes it, with or without "<"; null where there is none.
     *
     * @throws InvalidRecord naming the field
     */
    public static function read(Fields $row, string $name, Unit $unit): ?self
    {
        $text = $row->optionalText($name, 40);
        if ($text === null || $text === '') {
            return null;
        }
        $plain = trim($text);
        $lessThan = str_starts_with($plain, '<');
        try {
            $value = Decimal::parse(trim(ltrim($plain, '<')));
        } catch (MalformedDecimal $problem) {
            throw new InvalidRecord($row->at($name), $problem->getMessage());
        }
        if ($lessThan && $value->value->compareTo(Exact::zero()) <= 0) {
            throw new InvalidRecord($row->at($name), \sprintf('"%s" says nothing: less than a positive mass is meant.', $text));
        }

        return new self($value, $unit, $lessThan);
    }

    /** The mass, or the upper end of what is known of it, µg. */
    public function micrograms(): Exact
    {
        return $this->unit->convert($this->value->value, CommonUnit::Microgram);
    }

    /** The lower end, µg. */
    public function floor(): Exact
    {
        return $this->lessThan ? Exact::zero() : $this->micrograms();
    }

    public function words(): string
    {
        return ($this->lessThan ? '<' : '').$this->value->written.' '.$this->unit->value;
    }
}
