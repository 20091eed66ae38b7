<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/**
 * A rule that looks at the results themselves. It is judged again when a run's shift adds results to it; every other rule
 * rests on evidence, and what it found of the run alone stands.
 */
interface AnswerRule extends Rule
{
}
