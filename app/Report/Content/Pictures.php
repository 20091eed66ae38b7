<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;

/** The pictures of a run, each for itself: the run in time, and each result that states something beside its limits. */
final class Pictures
{
    /** @return \Generator<string, string> elements, each by what it is of */
    public static function of(ReportedRun $run): \Generator
    {
        yield 'time' => TimePicture::of($run)[0];
        foreach (Cells::rows($run->stands->body, 'results') as $result) {
            foreach ($run->stands->verdict($result) === Verdict::Void ? [] : Cells::rows($result, 'limits') as $limit) {
                $drawn = IntervalPicture::of($result, $limit);
                if ($drawn !== null) {
                    yield Cells::text($result, 'key').'-'.Cells::text($limit, 'id') => $drawn;
                }
            }
        }
    }
}
