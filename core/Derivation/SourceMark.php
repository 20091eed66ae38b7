<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** How far a constant, limit or equation has been checked against the publication it is from. */
enum SourceMark: string
{
    case Published = 'published';
    case CommonPractice = 'common practice';
    case FromMemory = 'from memory';
    case Own = 'own';
}
