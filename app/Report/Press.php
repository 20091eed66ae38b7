<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Errands\Errands;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Paper\PrintFailed;

/**
 * Prints beside the requests, and knows how far each print is.
 *
 * @phpstan-import-type State from Errands
 */
final readonly class Press
{
    public function __construct(private Errands $errands, private PrintEdition $print)
    {
    }

    public function start(string $report, ?int $edition, PaperSize $paper): void
    {
        $this->errands->start(self::name($report, $edition, $paper), [
            'footnote:report:print',
            $report,
            $paper->value,
            ...($edition === null ? [] : ['--edition='.$edition]),
        ]);
    }

    /**
     * To be called by the process of its own.
     *
     * @throws PrintFailed
     */
    public function run(string $report, ?int $edition, PaperSize $paper): void
    {
        $this->errands->run(
            self::name($report, $edition, $paper),
            fn (\Closure $progress) => ($this->print)($report, $edition, $paper, $progress),
        );
    }

    /** @return State */
    public function state(string $report, ?int $edition, PaperSize $paper): array
    {
        return $this->errands->state(self::name($report, $edition, $paper));
    }

    private static function name(string $report, ?int $edition, PaperSize $paper): string
    {
        return \sprintf('print.%s.%s.%s', $report, $edition === null ? 'draft' : 'edition-'.$edition, $paper->value);
    }
}
