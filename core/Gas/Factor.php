<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/**
 * G-4 and G-5: what a reading in isobutylene units is multiplied by to be the vapour that was there, once. The unit may
 * have applied a factor already, and so may a hand.
 */
final readonly class Factor
{
    /**
     * @param Exact       $undone  what the unit and a hand multiplied by already; the response is of what was there before
     * @param Figure|null $applied the factor of the vapour; null where none is needed or none is known
     * @param bool        $missing whether one is needed and not known
     * @param bool        $doubled whether unit and hand both applied it
     * @param bool        $foreign whether the unit was set to the factor of something else
     * @param bool        $weak    whether the lamp cannot ionise the vapour
     */
    private function __construct(
        public Exact $undone,
        public ?Figure $applied,
        public bool $missing,
        public bool $doubled,
        public bool $foreign,
        public bool $weak,
    ) {
    }

    public static function of(Channel $channel, ChannelRecord $record): self
    {
        $unit = $record->setting->unitFactor->value ?? Exact::of(1);
        $hand = $record->setting->handFactor->value ?? Exact::of(1);
        $undone = $unit->times($hand);
        if ($channel->kind !== GasKind::Photoionisation || $record->substance === null || $record->substance === Substances::ISOBUTYLENE) {
            // A factor that was set for some vapour is foreign to readings that are told in isobutylene units.
            return new self(
                $undone,
                null,
                false,
                false,
                $channel->kind === GasKind::Photoionisation && $unit->compareTo(Exact::of(1)) !== 0,
                false,
            );
        }
        $sees = static fn (?Traits $known): bool => $channel->sensor->lamp === null
            || ($known?->decimal('ionisationEnergy') ?? null) === null
            || $known->decimal('ionisationEnergy')->value->compareTo($channel->sensor->lamp->value) < 0;
        $weak = $record->parts === []
            ? !$sees($record->known)
            : array_filter($record->parts, static fn (array $part): bool => !$sees($part['known'])) !== [];
        $name = $channel->sensor->lamp === null ? null : Substances::factorName($channel->sensor->lamp);
        $factor = $name === null ? null : self::figure($channel, $record, $name);
        if ($factor === null) {
            return new self($undone, null, !$weak, false, false, $weak);
        }
        $one = Exact::of(1);
        $value = $factor->value instanceof Exact ? $factor->value : throw new \LogicException('A factor is a fraction.');
        // A unit shows a factor with few digits: it is the same one if it is so at those.
        $is = static fn (?Decimal $written): bool => $written !== null
            && ($written->value->compareTo($value) === 0
                || Exact::of($value->rounded($written->decimals()))->compareTo($written->value) === 0);

        return new self(
            $undone,
            $factor,
            false,
            $is($record->setting->unitFactor) && $is($record->setting->handFactor) && $value->compareTo($one) !== 0,
            $unit->compareTo($one) !== 0 && !$is($record->setting->unitFactor),
            $weak,
        );
    }

    /** The factor of what was there with the lamp of the unit; null where it is not known. */
    private static function figure(Channel $channel, ChannelRecord $record, string $name): ?Figure
    {
        $lamp = $channel->sensor->lamp->written ?? '';
        $known = $record->known?->decimal($name);
        if ($known !== null) {
            return self::read($record->known, $record->substance ?? '', $known, $lamp);
        }
        $mixed = self::mixed($record, $name);
        if ($mixed === null) {
            return null;
        }

        return Figure::derived(
            'CF',
            \sprintf('factor of %s with a %s eV lamp', $record->known?->text('name') ?? $record->substance, $lamp),
            $mixed,
            CommonUnit::None,
            GasEquation::FactorOfMixture,
            Row::together(['x_i', 'CF_i'], array_map(static fn (array $part): array => [
                Figure::read(
                    'x',
                    'share of '.($part['known']->text('name') ?? 'a part'),
                    $part['share']->value,
                    CommonUnit::Percent,
                    new Origin('library', $record->substance ?? '', 'parts of the mixture'),
                    $part['share']->decimals(),
                ),
                self::read(
                    $part['known'],
                    $part['known']->text('code') ?? '',
                    $part['known']->decimal($name) ?? throw new \LogicException('A part of a mixture has a factor.'),
                    $lamp,
                ),
            ], $record->parts)),
            4,
        );
    }

    private static function read(Traits $known, string $code, Decimal $factor, string $lamp): Figure
    {
        return Figure::read(
            'CF',
            \sprintf('factor of %s with a %s eV lamp', $known->text('name') ?? $code, $lamp),
            $factor->value,
            CommonUnit::None,
            new Origin('library', $code, $known->text('source') ?? 'library of substances'),
            $factor->decimals(),
        );
    }

    /** Of a mixture by the factors of its parts; null where one of them is not known or the shares do not make a whole. */
    private static function mixed(ChannelRecord $record, string $name): ?Exact
    {
        $parts = [];
        $whole = Exact::zero();
        foreach ($record->parts as $part) {
            $factor = $part['known']->decimal($name);
            if ($factor === null || $factor->value->isZero()) {
                return null;
            }
            $parts[] = ['share' => $part['share']->value->dividedBy(100), 'factor' => $factor->value];
            $whole = $whole->plus($part['share']->value);
        }

        return $parts === [] || $whole->compareTo(Exact::of(100)) !== 0 ? null : self::ofMixture($parts);
    }

    /**
     * G-4: the factor of a mixture, 1/Σ(x_i/CF_i).
     *
     * @param non-empty-list<array{share: Exact, factor: Exact}> $parts shares that add up to one
     */
    public static function ofMixture(array $parts): Exact
    {
        $sum = Exact::zero();
        foreach ($parts as $part) {
            $sum = $sum->plus($part['share']->dividedBy($part['factor']));
        }

        return Exact::of(1)->dividedBy($sum);
    }
}
