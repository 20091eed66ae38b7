<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Exact;

/** A unit that was spanned to another value than the cylinder's label. */
final class WrongValue
{
    /**
     * The check before the run at which the unit was spanned to another value than the label's.
     *
     * @return array{check: Check, entered: Exact, label: Figure}|null
     */
    public static function of(Bracket $bracket, Timeline $timeline, GasResponse $response): ?array
    {
        $check = $bracket->pre;
        $content = $check?->content;
        if ($check === null || !$content instanceof ChannelCheck || !$content->span->adjusted) {
            return null;
        }
        $entered = GasResponse::expected($content);
        $label = $response->label($check, $content, $timeline);

        return $entered === null || $label === null || $entered->compareTo($response->exact($label)) === 0
            ? null
            : ['check' => $check, 'entered' => $entered, 'label' => $label];
    }
}
