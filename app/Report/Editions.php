<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Errands\Errands;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Paper\PaperSize;

/**
 * What was issued and what was printed, as files to read from.
 *
 * @phpstan-import-type Edition from ClientReports
 */
final readonly class Editions
{
    public function __construct(private ClientReports $reports, private Drafts $drafts, private Errands $errands)
    {
    }

    /**
     * What an edition says. It never changes, so it is laid down once.
     *
     * @param Edition $edition
     */
    public function file(string $report, array $edition): ReportFile
    {
        $name = \sprintf('%s.edition-%d.%s.lines', $report, $edition['edition'], substr($edition['digest'], 0, 16));
        $file = new ReportFile($this->errands->path($name));
        if (!is_file($file->path) || $file->digest() !== $edition['digest']) {
            $content = $this->reports->content($report, $edition['edition']);
            $this->errands->lay($file->path, static fn (string $path) => file_put_contents($path, $content));
        }

        return $file;
    }

    /** Whether it can be fetched as it stands now. */
    public function isPrinted(string $report, ?int $edition, PaperSize $paper): bool
    {
        return $edition === null
            ? is_file($this->drafts->pdf($report, $paper))
            : $this->reports->isPrinted($report, $edition, $paper->value);
    }

    /** @return string|null the PDF; null where it is not printed as it stands now */
    public function printed(string $report, ?int $edition, PaperSize $paper): ?string
    {
        if ($edition !== null) {
            return $this->reports->printed($report, $edition, $paper->value);
        }
        $path = $this->drafts->pdf($report, $paper);

        return is_file($path) ? (string) file_get_contents($path) : null;
    }
}
