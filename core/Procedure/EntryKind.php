<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What sort of thing is asked. */
enum EntryKind: string
{
    case Text = 'text';
    case Decimal = 'decimal';
    /** A number with a unit chosen from several, kept as it was written. */
    case Measured = 'measured';
    case Choice = 'choice';
    /** Several of the choices. */
    case Several = 'several';
    case Flag = 'flag';
    /** One of the kit's references, or an entry of a library: which one is named in "of". */
    case Named = 'named';
    /** One number for each of several names, such as a level for each band. */
    case Each = 'each';
    /** Several entries under one name. */
    case Group = 'group';
    /** A table: each row has entries of its own. */
    case Rows = 'rows';
}
