<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What is nearest to what cannot be done, the nearest first. */
enum NearestKind: string
{
    case Later = 'later';
    case OtherUnit = 'other unit';
    case LeftOut = 'left out';
}
