<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;

/** One reading of flow as it was written: what its columns mean is the standard's to say. */
final readonly class FlowRow
{
    /** The units in which flows are written. */
    public const FLOWS = [
        CommonUnit::LitrePerMinute,
        CommonUnit::MillilitrePerMinute,
        CommonUnit::CubicMetrePerMinute,
        CommonUnit::CubicFootPerMinute,
    ];

    /**
     * @param Decimal|null $value  reading, in the unit of the standard's scale
     * @param string|null  $struck why it was struck out
     */
    public function __construct(
        public Provenance $provenance,
        public ?Decimal $value = null,
        public TimedVolume $timed = new TimedVolume(),
        public Legs $legs = new Legs(),
        public AtSampler $sampler = new AtSampler(),
        public ?string $struck = null,
    ) {
    }

    public static function of(Traits $traits, Provenance $provenance): self
    {
        return new self(
            $provenance,
            $traits->decimal('value'),
            new TimedVolume($traits->decimal('volume'), $traits->decimal('seconds')),
            new Legs($traits->decimal('left'), $traits->decimal('right')),
            new AtSampler($traits->measured('target'), $traits->measured('display'), $traits->decimal('gauge')),
            $traits->text('struck'),
        );
    }

    /** @return list<Entry> every column that a row may have */
    public static function entries(): array
    {
        return [
            Entry::decimal('value', 'Reading', '-1000', '1000000'),
            Entry::decimal('volume', 'Volume', '0', '1000000', CommonUnit::Millilitre),
            Entry::decimal('seconds', 'Time', '0', '100000', CommonUnit::Second),
            Entry::decimal('left', 'One leg', '-1000', '1000'),
            Entry::decimal('right', 'Other leg', '-1000', '1000'),
            Entry::measured('target', 'Set-point', self::FLOWS),
            Entry::measured('display', 'Sampler shows', self::FLOWS),
            Entry::decimal('gauge', 'Sampler\'s gauge', '-1000', '1000000'),
            Entry::text('struck', 'Struck out, why'),
        ];
    }

    public function counts(): bool
    {
        return $this->struck === null;
    }

    /** As it was written, for a table. */
    public function words(): string
    {
        $words = match (true) {
            $this->value !== null => $this->value->written,
            $this->timed->volume !== null => \sprintf(
                '%s mL in %s s',
                $this->timed->volume->written,
                $this->timed->seconds->written ?? '?',
            ),
            $this->legs->left !== null
                || $this->legs->right !== null => implode(
                    ' and ',
                    array_filter([$this->legs->left?->written, $this->legs->right?->written], \is_string(...)),
                ),
            default => '?',
        };

        return $this->struck === null ? $words : \sprintf('[%s struck out: %s]', $words, $this->struck);
    }
}
