<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Content\Labels;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Content\Shown;
use Footnote\App\Report\Paper\Imprint;
use Footnote\App\Storage\Cells;
use Psr\Clock\ClockInterface;

/**
 * What stands on the label of a report and at the edge of its pages.
 *
 * @phpstan-import-type Edition from ClientReports
 */
final readonly class Imprints
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function ofDraft(ReportFile $file): Imprint
    {
        $head = $file->head();
        $zone = new \DateTimeZone(Cells::text($head, 'zone'));
        $now = $this->clock->now();
        $made = Shown::withOffset($now->format(\DATE_ATOM), $zone);

        return new Imprint(
            Cells::text(Cells::map($head, 'asked'), 'title'),
            [Labels::REPORT => Labels::DRAFT, 'As of' => $made],
            '',
            '',
            Labels::DRAFT,
            \sprintf('%s, draft as of %s', Cells::text($head, 'report'), $made),
            $now,
        );
    }

    /** @param Edition $edition */
    public function ofEdition(ReportFile $file, array $edition): Imprint
    {
        $head = $file->head();
        $zone = new \DateTimeZone(Cells::text($head, 'zone'));
        $issue = Cells::map($head, 'issue');
        $number = \sprintf('%s, edition %d', Cells::text($head, 'report'), $edition['edition']);

        return new Imprint(
            Cells::text(Cells::map($head, 'asked'), 'title'),
            [
                Labels::NUMBER => $number,
                Labels::ISSUED => Shown::withOffset($edition['at'], $zone),
                Labels::SIGNED => $edition['by'],
                Labels::STANDING_AT => Cells::text($issue, 'address'),
            ],
            $edition['digest'],
            Cells::text($issue, 'square'),
            '',
            \sprintf('%s, contents %s', $number, substr($edition['digest'], 0, 16)),
            new \DateTimeImmutable($edition['at']),
        );
    }
}
