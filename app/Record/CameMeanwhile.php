<?php

declare(strict_types=1);

namespace Footnote\App\Record;

/** The logbook got what a record was prepared to bring: it is to be prepared again. */
final class CameMeanwhile extends \RuntimeException
{
}
