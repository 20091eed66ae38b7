<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\OwnSteps;

/** A half-done check: the model sheets that are asked at it, and its procedure with what they add. */
final readonly class Walked
{
    public function __construct(public Sheets $sheets, public Procedure $procedure)
    {
    }

    /**
     * What the record of the check holds of the steps that they added.
     *
     * @param array<string, mixed> $answers
     *
     * @return array{own?: list<array<string, mixed>>}
     */
    public function record(array $answers): array
    {
        $rows = $this->sheets->rows($this->procedure, $answers);

        return $rows === [] ? [] : [OwnSteps::NAME => $rows];
    }

    /**
     * What is wrong with values written down at these steps, told by the answers that hold them.
     *
     * @param list<array{field: string, problem: string}> $problems by their places in the record
     * @param array<string, mixed>                        $answers
     *
     * @return list<array{field: string, problem: string}>
     */
    public function namingAnswers(array $problems, array $answers): array
    {
        return $problems === [] ? [] : $this->sheets->namingAnswers($problems, $this->procedure, $answers);
    }
}
