<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Errands\Errands;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Paper\PaperSize;

/** What was issued and what was printed, as files to read from. */
final readonly class Editions
{
    public function __construct(private ClientReports $reports, private PrintEdition $print, private Errands $errands)
    {
    }

    /** What an edition says. It never changes, so it is laid down once. */
    public function file(string $report, int $edition): ReportFile
    {
        $digest = $this->reports->edition($report, $edition)['digest'];
        $path = $this->errands->path(\sprintf('%s.edition-%d.%s.lines', $report, $edition, substr($digest, 0, 16)));
        $file = new ReportFile($path);
        if (!is_file($path) || $file->digest() !== $digest) {
            $beside = $this->errands->beside($path);
            file_put_contents($beside, $this->reports->content($report, $edition));
            rename($beside, $path);
        }

        return $file;
    }

    /** @return string|null the PDF; null where it is not printed as it stands now */
    public function printed(string $report, ?int $edition, PaperSize $paper): ?string
    {
        if ($edition !== null) {
            return $this->reports->printed($report, $edition, $paper->value);
        }
        $path = $this->print->draftPath($report, $paper);

        return is_file($path) ? (string) file_get_contents($path) : null;
    }
}
