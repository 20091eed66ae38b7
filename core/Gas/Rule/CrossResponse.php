<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\Channel;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasKind;
use Footnote\Core\Gas\GasRecord;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Quantity\CommonUnit;

/** Carbon monoxide answers to isobutylene: the filter of its cell is spent. */
final readonly class CrossResponse extends ChannelRule implements KnownBeforehand
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
        if ($results->sensed->channel->kind !== GasKind::CarbonMonoxide) {
            return;
        }
        $limit = $setting->limit('answer');
        // Where vapours were measured beside it, what it showed may have been they.
        $beside = $this->besideVapour($case);
        foreach ($content->isobutylene->readings as $row) {
            if (!$limit->isKeptBy($row->value->value->absolute())) {
                yield $setting->finding(
                    \sprintf(
                        '%s showed %s ppm while isobutylene flowed at the check of %s: the filter of the cell is spent.'
                            .($beside ? ' Vapours were measured beside it, and may be in its number.' : ''),
                        $results->sensed->channel->name,
                        $row->value->written,
                        $case->hour($check->at),
                    ),
                    [$check->id],
                    $limit,
                    advice: 'Replace the filter, or the sensor, before the next use.',
                    severity: $beside ? Severity::Qualified : null,
                )->naming(
                    Figure::read(
                        'r',
                        $results->sensed->channel->name.' while isobutylene flowed',
                        $row->value->value,
                        CommonUnit::PartsPerMillion,
                        $check->origin($row->provenance->words()),
                        $row->value->decimals(),
                    ),
                );

                return;
            }
        }
    }

    private function besideVapour(RunCase $case): bool
    {
        foreach (Channel::of($case->timeline->instrument) as $channel) {
            if ($channel->kind === GasKind::Photoionisation
                && $case->run->content instanceof GasRecord
                && $case->run->content->measured($channel->name)) {
                return true;
            }
        }

        return false;
    }
}
