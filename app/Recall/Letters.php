<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Content\HouseTexts;
use Footnote\App\Report\Content\Shown;
use Footnote\App\Storage\Cells;

/** Letters to those who hold results that a recall changes, as drafts: a person reads them, and sends them or does not. */
final readonly class Letters
{
    public function __construct(private AskedWhatIf $asked, private ClientReports $reports, private Campaigns $campaigns)
    {
    }

    /** @return list<array{to: string, about: string, text: string}> one for each report that is touched, and each campaign without one */
    public function of(string $id): array
    {
        $told = $this->asked->told($id);
        $head = $told['head'] ?? [];
        $runs = $this->byCampaign($id);
        $letters = [];
        foreach (Cells::rows($head, 'reports') as $report) {
            $campaign = Cells::text($report, 'campaign');
            $letters[] = $this->letter($head, $campaign, [
                'to' => Cells::text($report, 'askedBy'),
                'report' => \sprintf(
                    'Report %s, edition %s, “%s”, tells of them; another edition will follow.',
                    Cells::text($report, 'report'),
                    Cells::text($report, 'edition'),
                    Cells::text($report, 'title'),
                ),
            ], array_intersect_key($runs['='.$campaign] ?? [], array_flip(Cells::texts($report, 'runs'))));
            unset($runs['='.$campaign]);
        }
        foreach ($runs as $campaign => $of) {
            $letters[] = $this->letter($head, substr($campaign, 1), [
                'to' => $this->campaigns->one(substr($campaign, 1))['site'],
                'report' => 'No report of them was issued.',
            ], $of);
        }

        return $letters;
    }

    /**
     * @param array<string, mixed>                $head
     * @param array{to: string, report: string}   $about
     * @param array<array-key, array<string, mixed>> $runs
     *
     * @return array{to: string, about: string, text: string}
     */
    private function letter(array $head, string $campaign, array $about, array $runs): array
    {
        $of = $this->campaigns->one($campaign);
        $zone = new \DateTimeZone($of['zone']);
        $recall = Cells::map($head, 'recall');
        $error = Cells::text($recall, 'error');
        $text = (new HouseTexts($this->reports->texts()))->filled(HouseTexts::LETTER, [
            ...$about,
            'site' => $of['site'],
            'campaign' => $of['title'],
            'reference' => Cells::text($head, 'recalled'),
            'found' => \sprintf(
                '%s; %s',
                rtrim(Cells::text($recall, 'reason'), '.'),
                $error === '' ? 'by how much is not known' : 'it was off by '.Shown::signed($error).' '.Cells::text($head, 'errorUnit'),
            ),
            'since' => Shown::day(Cells::text($recall, 'since'), $zone),
            'results' => implode("\n", array_map(static fn (array $run): string => self::run($run, $zone), $runs)),
        ]);

        return ['to' => $about['to'], 'about' => $campaign, 'text' => $text];
    }

    /** @param array<string, mixed> $run */
    private static function run(array $run, \DateTimeZone $zone): string
    {
        $told = [];
        foreach (Cells::rows($run, 'results') as $result) {
            $channel = Cells::text($result, 'channel');
            $told[] = \sprintf(
                '%s%s: %s %s (%s)%s',
                Cells::text($result, 'title'),
                $channel === '' ? '' : ' of '.$channel,
                self::both(Cells::text($result, 'was'), Cells::text($result, 'is')),
                Cells::text($result, 'unit'),
                self::both(Cells::text($result, 'wasVerdict'), Cells::text($result, 'isVerdict')),
                implode('', array_map(static fn (array $limit): string => \sprintf(
                    '; %s: %s, now %s',
                    Cells::text($limit, 'title'),
                    Cells::text($limit, 'was'),
                    Cells::text($limit, 'is'),
                ), Cells::rows($result, 'limits'))),
            );
        }

        return \sprintf(
            "- %s, %s, %s, %s:\n  %s",
            Cells::text($run, 'run'),
            Cells::text($run, 'person'),
            Cells::text($run, 'task'),
            Shown::day(Cells::text($run, 'start'), $zone),
            implode("\n  ", $told),
        );
    }

    /** "84.8, now 85.1"; what shows the same is told once. */
    private static function both(string $was, string $is): string
    {
        $told = static fn (string $shown): string => $shown === '' ? 'none' : Shown::minus($shown);

        return $was === $is ? $told($was) : $told($was).', now '.$told($is);
    }

    /** @return array<string, array<array-key, array<string, mixed>>> runs that change, by their names, by = and the campaign */
    private function byCampaign(string $id): array
    {
        $runs = [];
        foreach ($this->asked->runs($id, 0, \PHP_INT_MAX - 1) as $run) {
            if (Cells::text($run, 'state') !== Compared::SAME) {
                $runs['='.Cells::text($run, 'campaign')][Cells::text($run, 'run')] = $run;
            }
        }

        return $runs;
    }
}
