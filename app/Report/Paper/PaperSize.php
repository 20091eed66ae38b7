<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

/** The sizes of paper that a report is printed on. */
enum PaperSize: string
{
    case A4 = 'A4';
    case Letter = 'Letter';
}
