<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasStage;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;

/** The bottle was nearly empty. */
final readonly class BottlePressure extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.bottle-pressure';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $pressure = GasStage::ofSpan($results->sensed->channel->kind) === GasStage::Isobutylene
            && $content->whole->isobutylene->reference !== null
            ? $content->whole->isobutylene->pressure
            : $content->whole->bottlePressure;
        $limit = $setting->limit('pressure');
        if ($pressure !== null && !$limit->isKeptBy($pressure->in(CommonUnit::Bar))) {
            yield $setting->finding(
                \sprintf(
                    '%s stood at %s at the check of %s.',
                    $check->reference ?? 'The cylinder',
                    $pressure->words(),
                    $case->hour($check->at),
                ),
                [$check->id],
                $limit,
            );
        }
    }
}
