<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** Which runs of a campaign a report is of, and which it is not of. */
final readonly class Covered
{
    /** So many are named each. */
    private const NAMED = 40;

    /**
     * @param list<string> $in      runs, in their order
     * @param list<string> $out     runs that the choice leaves out
     * @param int          $practice runs of practice units: no measurements
     */
    public function __construct(public Asked $asked, public array $in, public array $out, public int $practice)
    {
    }

    public function words(): string
    {
        $narrowed = $this->asked->narrowed();
        $told = \sprintf('%d of the %s of the campaign', \count($this->in), Shown::count(\count($this->in) + \count($this->out), 'run'));
        $told .= $narrowed === '' ? '.' : \sprintf(': %s.', $narrowed);
        if ($this->out !== []) {
            $told .= ' Not in it: '.implode(', ', \array_slice($this->out, 0, self::NAMED))
                .(\count($this->out) > self::NAMED ? \sprintf(' and %d more', \count($this->out) - self::NAMED) : '').'.';
        }

        return $this->practice === 0 ? $told : $told.\sprintf(
            ' %s of practice units, which are no measurements, %s no part of it.',
            Shown::count($this->practice, 'run'),
            $this->practice === 1 ? 'is' : 'are',
        );
    }
}
