<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Access\User;
use Footnote\App\Http\Bench\PreparedPresenter;
use Footnote\App\Planning\ActionLimits;
use Footnote\App\Planning\DayPlans;
use Footnote\App\Report\SquareCode;
use Footnote\App\Storage\Cells;
use Footnote\Core\Planning\Task;

/** What goes on the sheets of a plan: the checks of its units as they are walked, and a code that opens each unit. */
final readonly class FieldSheets
{
    /** So many units are prepared at a time. */
    private const AT_ONCE = 30;

    public function __construct(
        private DayPlans $plans,
        private PreparedPresenter $prepared,
        private SquareCode $code,
        private ActionLimits $limits,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(User $by, string $id, string $public): array
    {
        $head = $this->plans->head($id);
        $units = array_map(static fn (Task $task): string => $task->unit->id, $this->plans->of($head['body'])->plan->tasks);
        $prepared = [];
        $at = '';
        foreach (array_chunk(array_values(array_unique($units)), self::AT_ONCE) as $some) {
            $told = $this->prepared->of($by, $some);
            $at = Cells::text($told, 'at');
            array_push($prepared, ...Cells::rows($told, 'units'));
        }

        return [
            'at' => $at,
            'units' => array_map(function (array $unit) use ($public, $head): array {
                $id = Cells::text($unit, 'id');
                $address = $public.'/kit/'.rawurlencode($id);

                return [
                    'check' => $unit,
                    'action' => $this->limits->of($id, $head['campaign']),
                    'address' => $address,
                    'square' => $this->code->of($address),
                ];
            }, $prepared),
        ];
    }
}
