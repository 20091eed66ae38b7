<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** What is told of a column of a log, by the identifiers of docs/methods.md. */
enum LogEquation: string implements Equation
{
    case Lines = 'L-1';
    case Time = 'L-2';
    case Highest = 'L-3';
    case Lowest = 'L-4';
    case Mean = 'L-5';
    case HighestWindow = 'L-6';
    case Sum = 'L-7';
    case Missing = 'L-8';
    case HollowWindows = 'L-9';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Lines => 'n = count(a_j, b_j; δ, h)',
            self::Time => 't = n·h',
            self::Highest => 'r_max = max(r_i)',
            self::Lowest => 'r_min = min(r_i)',
            self::Mean => 'r̄ = mean(r_i)',
            self::HighestWindow => 'r₁₅ = max(window(r_i; a, b))',
            self::Sum => 'N = Σ N_i',
            self::HollowWindows => 'k = hollow(r_i; a, b)',
            self::Missing => 's = 100·(max(t, t_log) − n·h)/t',
        };
    }

    public function source(): string
    {
        return \in_array($this, [self::HighestWindow, self::HollowWindows], true) ? 'own' : 'common practice';
    }

    public function mark(): SourceMark
    {
        return \in_array($this, [self::HighestWindow, self::HollowWindows], true) ? SourceMark::Own : SourceMark::CommonPractice;
    }
}
