<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Quantity\Exact;

/** What a channel still read in clean air at the end of a check, against what it read in clean air when it was zeroed. */
final readonly class RestOfGas
{
    private function __construct(private GasRow $row, public Exact $off)
    {
    }

    /** Null where nobody read it then, or where its clean air is not known: that of oxygen is not nothing. */
    public static function in(ChannelCheck $content): ?self
    {
        $rows = $content->whole->of(GasProcedures::PURGED, $content->channel->name);
        $zero = $content->zero->left !== [] ? $content->zero->left : $content->zero->found;
        if ($rows === [] || ($zero === [] && $content->channel->kind === GasKind::Oxygen)) {
            return null;
        }
        $clean = $zero === [] ? Exact::zero() : Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $zero));
        // It is read until it is down: the last reading tells how it ended.
        $last = $rows[\count($rows) - 1];

        return new self($last, $last->value->value->minus($clean));
    }

    public function reads(Channel $channel, Check $check): Figure
    {
        return Figure::read(
            'r',
            'reading in clean air at the end of the check',
            $this->row->value->value,
            $channel->unit,
            $check->origin($this->row->provenance->words()),
            $this->row->value->decimals(),
        );
    }
}
