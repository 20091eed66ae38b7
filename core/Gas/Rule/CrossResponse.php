<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasKind;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Carbon monoxide answers to isobutylene: the filter of its cell is spent. */
final readonly class CrossResponse extends ChannelRule
{
    public function id(): string
    {
        return 'gas.cross-response';
    }

    protected function alsoUnusable(): bool
    {
        return true;
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->channel->kind !== GasKind::CarbonMonoxide) {
            return;
        }
        $limit = $setting->limit('answer');
        foreach ($content->inIsobutylene as $row) {
            if (!$limit->isKeptBy($row->value->value->absolute())) {
                yield $setting->finding(\sprintf('%s showed %s ppm while isobutylene flowed at the check of %s: the filter of the cell is spent.', $results->channel->name, $row->value->written, $case->hour($check->at)), [$check->id], $limit, advice: 'Replace the filter, or the sensor, before the next use.');

                return;
            }
        }
    }
}
