<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Logbook\CampaignRuns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Changes;
use Footnote\App\Report\Content\Asked;
use Footnote\App\Report\Content\HouseTexts;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Drafts;
use Footnote\App\Report\Editions;
use Footnote\App\Report\Paper\PaperHtml;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Press;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;

/** Reports as the interface shows them: what they are asked to be, what they say part by part, what was said of them, their editions. */
final readonly class ReportPresenter
{
    public function __construct(
        private ClientReports $reports,
        private Drafts $drafts,
        private Editions $editions,
        private CampaignRuns $runs,
        private Press $press,
    ) {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        $written = $this->reports->textRows();

        return [
            'reports' => $this->reports->all(),
            'texts' => array_map(
                static fn (string $name): array => self::text($name, $written[$name] ?? null),
                array_keys(HouseTexts::SHIPPED),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public function one(string $id): array
    {
        $report = $this->reports->one($id);
        $draft = $this->drafts->of($id);
        $editions = $this->reports->editions($id);
        $asked = Asked::of(Fields::of($report['asked']));

        return [
            ...$report,
            'draft' => [
                'digest' => $draft->digest(),
                'parts' => self::outline($draft),
            ],
            'runs' => array_values(array_map(static fn (array $run): array => [
                ...array_diff_key($run, ['practice' => 1]),
                'in' => $asked->takes($run['run'], $run['person'], $run['instrument'], $run['day']),
            ], array_filter($this->runs->of($report['campaign']), static fn (array $run): bool => !$run['practice']))),
            'remarks' => $this->reports->remarks($id),
            'editions' => array_map(fn (array $edition): array => [
                'edition' => $edition['edition'],
                'digest' => $edition['digest'],
                'by' => $edition['by'],
                'at' => $edition['at'],
                'address' => Cells::text($edition['record'], 'address'),
                'why' => Cells::text($edition['record'], 'why'),
                'changes' => Cells::texts($edition['record'], 'changes'),
                'printed' => $edition['printed'],
                'parts' => self::outline($this->editions->file($id, $edition)),
            ], $editions),
            'changedSince' => $editions === []
                ? []
                : Changes::between($this->editions->file($id, $editions[0])->head(), $draft->head()),
        ];
    }

    /** @return array<string, mixed> one part, each of its paragraphs as HTML */
    public function part(string $id, string $name, ?int $edition): array
    {
        $file = $edition === null
            ? $this->drafts->of($id)
            : $this->editions->file($id, $this->reports->edition($id, $edition));
        $part = $file->part($name);
        $paper = new PaperHtml($name);

        return [
            'part' => $name,
            'title' => Cells::text($part, 'title'),
            'blocks' => array_map(static fn (array $block): array => [
                'id' => Cells::text($block, 'id'),
                'html' => $paper->block($block),
            ], Cells::rows($part, 'blocks')),
        ];
    }

    /** @return array<string, mixed> how far it is printed, and whether it can be fetched */
    public function printing(string $id, ?int $edition, PaperSize $paper): array
    {
        return [
            ...$this->press->state($id, $edition, $paper),
            'isThere' => $this->editions->isPrinted($id, $edition, $paper),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function outline(ReportFile $file): array
    {
        return array_map(static fn (array $part): array => [
            'part' => Cells::text($part, 'part'),
            'title' => Cells::text($part, 'title'),
        ], Cells::rows($file->head(), 'parts'));
    }

    /**
     * @param array<string, mixed>|null $row as it was written anew
     *
     * @return array<string, mixed>
     */
    private static function text(string $name, ?array $row): array
    {
        return [
            'name' => $name,
            'text' => $row === null ? HouseTexts::SHIPPED[$name] : Cells::text($row, 'text'),
            'by' => $row === null ? null : Cells::text($row, 'recorded_by'),
            'at' => $row === null ? null : Cells::moment($row, 'recorded_at'),
            'placeholders' => array_map(
                static fn (string $one, string $words): array => ['name' => $one, 'words' => $words],
                array_keys(HouseTexts::placeholders($name)),
                array_values(HouseTexts::placeholders($name)),
            ),
        ];
    }
}
