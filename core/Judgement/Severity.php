<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How much a finding weighs against a result. */
enum Severity: string
{
    case Note = 'note';
    case Corrected = 'corrected';
    case Qualified = 'qualified';
    case Void = 'void';
}
