<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Shown\TraitsLine;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\Formats;

/** A unit as the bench shows it. */
final readonly class UnitPresenter
{
    public function __construct(private Assessor $assessor, private Formats $families)
    {
    }

    /**
     * @param list<Run> $open    whose bracket the next check can still close
     * @param list<Run> $running
     *
     * @return array<string, mixed>
     */
    public function shown(Timeline $timeline, array $open, array $running): array
    {
        return [
            'id' => $timeline->instrument->id,
            'model' => $timeline->instrument->model,
            'family' => $timeline->instrument->family,
            'practice' => $timeline->instrument->isPractice(),
            'about' => TraitsLine::of($timeline->instrument, $this->families->of($timeline->instrument->family)),
            'procedures' => self::procedures($this->assessor->family($timeline->instrument->family)->procedures($timeline->instrument)),
            'hold' => array_map(static fn (Run $run): string => $run->id, $open),
            'running' => $running === [] ? null : $running[0]->id,
        ];
    }

    /**
     * @param list<Procedure> $procedures
     *
     * @return list<array{id: string, title: string, inARow: bool}>
     */
    public static function procedures(array $procedures): array
    {
        return array_map(static fn (Procedure $procedure): array => [
            'id' => $procedure->id,
            'title' => $procedure->title,
            'inARow' => $procedure->suitsARound(),
        ], $procedures);
    }
}
