<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

final class UnknownFamily extends \OutOfBoundsException
{
}
