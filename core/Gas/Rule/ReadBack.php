<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\DriftLimit;
use Footnote\Core\Gas\GasResponse;
use Footnote\Core\Gas\GasRow;
use Footnote\Core\Gas\GasWorkings;
use Footnote\Core\Gas\Plateau;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** After the span was set the channel did not show the label. */
final readonly class ReadBack extends ChannelRule
{
    public function id(): string
    {
        return 'gas.read-back';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $response = new GasResponse($results->channel);
        $label = $response->label($check, $content, $case->timeline);
        $rows = $content->spanLeft === [] || $label === null ? [] : Plateau::of($content->spanLeft, $response->exact($label))->rows;
        if ($rows === [] || GasWorkings::wrongValue($case->bracket, $case->timeline, $response) !== null) {
            return;
        }
        $read = Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $rows));
        $limit = DriftLimit::of($results->channel, $setting);
        $off = $read->minus($response->exact($label));
        if (!$limit->isKeptBy($off, $label)) {
            yield $setting->finding(\sprintf('%s read %s %s back at %s; allowed off the label is %s.', $results->channel->name, $read->rounded(1), $label->unit->value, $label->shown(), $limit->words()), [$check->id], $limit->named());
        }
    }
}
