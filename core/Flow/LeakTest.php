<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;

/** F-13: the line blocked at its far end. A pump stalls or alarms, or a vacuum decays by so much in so long. */
final readonly class LeakTest
{
    public const PRESSURES = [
        CommonUnit::Kilopascal, CommonUnit::Hectopascal, CommonUnit::MillimetreMercury,
        CommonUnit::InchMercury, CommonUnit::InchWater,
    ];

    /**
     * @param bool|null     $stalled whether the pump stalled or alarmed; null where that was not looked at
     * @param Measured|null $start   vacuum at the start, below ambient
     * @param Measured|null $end     vacuum at the end
     * @param Decimal|null  $seconds between the two
     * @param Measured|null $volume  of the line, for the leak as a flow
     */
    public function __construct(
        public ?bool $stalled,
        public ?Measured $start,
        public ?Measured $end,
        public ?Decimal $seconds,
        public ?Measured $volume,
    ) {
    }

    /** @return list<Entry> */
    public static function entries(): array
    {
        return [
            Entry::choice(
                'leakStalled',
                'With the end of the line blocked',
                ['yes' => 'the pump stalled or alarmed', 'no' => 'it went on drawing'],
            ),
            Entry::measured('leakStart', 'Vacuum at the start', self::PRESSURES),
            Entry::measured('leakEnd', 'Vacuum at the end', self::PRESSURES),
            Entry::decimal('leakSeconds', 'Time between', '1', '36000', CommonUnit::Second),
            Entry::measured(
                'leakVolume',
                'Volume of the line',
                [CommonUnit::Millilitre, CommonUnit::Litre],
                help: 'Where it is known, the leak is told as a flow',
            ),
        ];
    }

    /** The test as written; null where none was made. */
    public static function of(Traits $traits): ?self
    {
        $stalled = $traits->text('leakStalled');
        $test = new self(
            $stalled === null ? null : $stalled === 'yes',
            $traits->measured('leakStart'),
            $traits->measured('leakEnd'),
            $traits->decimal('leakSeconds'),
            $traits->measured('leakVolume'),
        );

        return $test->stalled === null && !$test->hasDecay() ? null : $test;
    }

    public function hasDecay(): bool
    {
        return $this->start !== null && $this->end !== null && $this->seconds !== null;
    }

    /** How much vacuum was lost, kPa; null where no decay was read. */
    public function lost(): ?Exact
    {
        return $this->start === null || $this->end === null
            ? null
            : $this->start->in(CommonUnit::Kilopascal)->minus($this->end->in(CommonUnit::Kilopascal));
    }

    /** The share of the vacuum that was lost, %. */
    public function lostPercent(): ?Exact
    {
        $start = $this->start?->in(CommonUnit::Kilopascal);

        return $start === null || $start->isZero() ? null : $this->lost()?->times(100)->dividedBy($start);
    }

    /**
     * What was lost in the time that the manual of the unit names, at the same pace, and what the manual allows, kPa; null where it
     * says nothing, or where no decay was read.
     *
     * @return array{Exact, Exact}|null
     */
    public function byManual(Traits $unit): ?array
    {
        $lost = $this->lost();
        $allowed = $unit->measured('leakLimit')?->in(CommonUnit::Kilopascal);
        $within = $unit->decimal('leakLimitSeconds')?->value;

        return $lost === null || $this->seconds === null || $allowed === null || $within === null || $within->isZero()
            ? null
            : [$lost->times($within)->dividedBy($this->seconds->value), $allowed];
    }

    /** What is asked while it is typed: how far beyond the manual of the unit, or beyond a share of the vacuum, it lies. */
    public function question(Traits $unit, ?Limit $decay): ?string
    {
        if ($this->stalled === false) {
            return 'The pump went on drawing through a blocked line: the line leaks, or it was not blocked.';
        }
        if (!$this->hasDecay()) {
            return null;
        }
        $byManual = $this->byManual($unit);
        if ($byManual !== null) {
            [$lost, $allowed] = $byManual;
            if ($lost->compareTo($allowed) <= 0) {
                return null;
            }
            $times = $allowed->isZero() ? null : $lost->dividedBy($allowed);

            return \sprintf(
                'The vacuum fell %s the manual allows: a leak%s.',
                $times === null ? 'where none' : $times->rounded(1).' times as fast as',
                $times !== null && $times->compareTo(Exact::of('5')) >= 0 ? ', an open cap, or a value mistyped' : '',
            );
        }
        $percent = $this->lostPercent();

        return $percent === null || $decay === null || $decay->isKeptBy($percent)
            ? null
            : \sprintf('The vacuum fell by %s %%; kept is %s.', $percent->rounded(1), $decay->words());
    }

    /** V·ΔP/(P·t), L/min; null where volume or pressure are not known. */
    public function flow(Air $air): ?Exact
    {
        $lost = $this->lost();
        if ($lost === null || $this->volume === null || $air->pressure === null || $this->seconds === null) {
            return null;
        }

        $litres = $this->volume->in(CommonUnit::Litre)->times($lost)->dividedBy($air->kilopascal());

        return $litres->times(60)->dividedBy($this->seconds->value);
    }
}
