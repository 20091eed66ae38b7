<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** Names and formulas that people write on labels, as one name. */
final class GasName
{
    /** Formulas and other names, by what they are written as (common practice). */
    private const ALSO = [
        'o2' => 'oxygen',
        'co' => 'carbon monoxide',
        'co2' => 'carbon dioxide',
        'h2s' => 'hydrogen sulphide',
        'hydrogen sulfide' => 'hydrogen sulphide',
        'ch4' => 'flammable gas',
        'methane' => 'flammable gas',
        'lel' => 'flammable gas',
        'flammable' => 'flammable gas',
        'combustible gas' => 'flammable gas',
        'isobutene' => 'isobutylene',
        'i-c4h8' => 'isobutylene',
        'c4h8' => 'isobutylene',
        'ibe' => 'isobutylene',
        '2-methylpropene' => 'isobutylene',
    ];

    public static function plain(string $written): string
    {
        $plain = mb_strtolower(trim(strtr($written, ['₂' => '2', '₃' => '3', '₄' => '4', '₈' => '8'])));

        return self::ALSO[$plain] ?? $plain;
    }

    public static function areAlike(string $one, string $other): bool
    {
        return self::plain($one) === self::plain($other);
    }
}
