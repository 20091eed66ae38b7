<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;

/** A sample of air: what it was drawn through, at which air, and what a laboratory found in it. */
final readonly class AirSample implements RunContent
{
    /**
     * @param string      $code      of the run, for the footnote
     * @param Traits|null $sampler   entry of the library
     * @param Traits|null $method    entry of the library
     * @param bool        $shortTerm a sample for a short-term value, not for the shift
     */
    public function __construct(
        public string $code,
        public Analysed $analysed,
        public ?Traits $sampler,
        public ?Traits $method,
        public FieldReadings $field,
        public bool $shortTerm,
    ) {
    }

    /** The mean of the readings of its own gauge; null where it has none. */
    public function gauge(): ?Figure
    {
        if ($this->field->gauges === []) {
            return null;
        }
        $origin = new Origin('run', $this->code, 'read in the field');
        $inputs = array_map(
            static fn (Decimal $gauge): Figure => Figure::read(
                'I',
                'sampler\'s gauge',
                $gauge->value,
                CommonUnit::None,
                $origin,
                $gauge->decimals(),
            ),
            $this->field->gauges,
        );

        return Figure::derived(
            'I',
            'mean of the sampler\'s gauge',
            Exact::mean(array_map(static fn (Decimal $gauge): Exact => $gauge->value, $this->field->gauges)),
            CommonUnit::None,
            SharedEquation::Replicates,
            Row::of('x_i', $inputs),
            2,
        );
    }

    /** Whether its medium is desorbed: by its method, or, where none is named, since it has a back section. */
    public function isDesorbed(AnalyteResult $analyte): bool
    {
        return $this->method === null ? $analyte->masses->back !== null : $this->method->flag('desorption');
    }

    /** Whether its head takes one size of particles, which it does near its design flow only. */
    public function selectsSize(): bool
    {
        return \in_array($this->sampler?->text('selects'), ['inhalable', 'respirable', 'thoracic'], true);
    }

    /** What it takes; samples of different ones are not of one thing. */
    public function fraction(): string
    {
        return $this->sampler?->text('selects') ?? '';
    }

    public function designFlow(): ?Measured
    {
        return $this->sampler?->measured('designFlow');
    }
}
