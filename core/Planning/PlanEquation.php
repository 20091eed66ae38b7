<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The sums of a plan, by the identifiers of docs/methods.md. */
enum PlanEquation: string implements Equation
{
    case Lead = 'D-1';
    case GasAfterTheDay = 'D-2';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Lead => 't = Σ t_i',
            self::GasAfterTheDay => 't_left = t − Σ t_i',
        };
    }

    public function source(): string
    {
        return 'common practice';
    }

    public function mark(): SourceMark
    {
        return SourceMark::CommonPractice;
    }
}
