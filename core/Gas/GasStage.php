<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** The gases of a calibration in the order in which they are applied. */
enum GasStage: string
{
    case Zero = 'zero';
    case Mix = 'mix';
    case Isobutylene = 'isobutylene';

    public function found(): string
    {
        return $this->value.'Found';
    }

    public function left(): string
    {
        return $this->value.'Left';
    }

    public function adjusted(): string
    {
        return $this->value.'Adjusted';
    }

    public static function ofSpan(GasKind $kind): self
    {
        return $kind === GasKind::Photoionisation ? self::Isobutylene : self::Mix;
    }
}
