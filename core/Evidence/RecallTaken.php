<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What is made of the known error of a recalled reference. */
enum RecallTaken
{
    /** It is taken out wholly: when it went wrong is not known. */
    case Whole;
    /** It grew evenly from the beginning of the recall to the day it was found. */
    case Evenly;
    /** It is left in: what the certificate says is taken for true. */
    case Nothing;
}
