<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Check;

/** Whether a person may correct or move a check: the page says why not, and the action refuses it for the same reason. */
final class MayCorrect
{
    /**
     * @param bool $isReplaced whether another check stands in its place
     *
     * @return Problem|null null where the person may
     */
    public static function refusal(User $by, Check $check, bool $isReplaced): ?Problem
    {
        return match (true) {
            $isReplaced => new Problem(409, 'Another check stands in its place: correct that one.'),
            $check->notes->setAside !== null => new Problem(409, 'It was set aside and counts for nothing.'),
            !$by->records() => new Problem(403, 'Readers look on.'),
            $check->content->wasAdjusted() && !$by->has(Role::Hygienist) => new Problem(
                403,
                'The instrument was adjusted by it: only a hygienist corrects or moves it.',
            ),
            default => null,
        };
    }
}
