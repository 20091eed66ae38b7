<?php

declare(strict_types=1);

namespace Footnote\Core;

use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Rule\SharedRules;
use Footnote\Core\Noise\NoiseFamily;

/** The families that Footnote knows. Adding one is a line here and a folder beside the others. */
final class Families
{
    public static function assessor(): Assessor
    {
        return new Assessor([new NoiseFamily()], SharedRules::all());
    }
}
