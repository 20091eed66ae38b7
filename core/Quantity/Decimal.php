<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * A decimal number as it was written down: its digits are kept ("94.0" stays "94.0"), its value is exact.
 */
final readonly class Decimal implements \Stringable
{
    private const LONGEST = 24;

    private function __construct(public string $written, public Exact $value)
    {
    }

    /**
     * Reads digits with one decimal point or comma and an optional sign. No exponents, no grouping, no blanks within.
     *
     * @throws MalformedDecimal
     */
    public static function parse(string $text): self
    {
        $plain = str_replace(["\u{2212}", ','], ['-', '.'], trim($text, " \t\n\r"));
        if (\strlen($plain) > self::LONGEST || preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)$/D', $plain) !== 1) {
            throw MalformedDecimal::text($text);
        }
        $sign = $plain[0] === '-' ? '-' : '';
        $digits = ltrim($plain, '+-');
        if ($digits[0] === '.') {
            $digits = '0'.$digits;
        }
        $digits = rtrim($digits, '.');

        return new self($sign.$digits, Exact::of($sign.$digits));
    }

    public function decimals(): int
    {
        $point = strpos($this->written, '.');

        return $point === false ? 0 : \strlen($this->written) - $point - 1;
    }

    public function __toString(): string
    {
        return $this->written;
    }
}
