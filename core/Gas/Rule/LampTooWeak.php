<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;

/** The lamp cannot ionise the vapour that was there. */
final readonly class LampTooWeak extends ChannelRule
{
    public function id(): string
    {
        return 'gas.lamp';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $energy = $results->sensed->record->known?->decimal('ionisationEnergy');
        $lamp = $results->sensed->channel->sensor->lamp;
        if ($results->sensed->factor->weak && $energy !== null && $lamp !== null) {
            $code = $results->sensed->record->known->text('code') ?? '';
            yield $setting->finding(
                \sprintf(
                    '%s needs %s eV, the lamp gives %s eV: the channel does not see it.',
                    ucfirst($results->sensed->record->known->text('name') ?? 'the vapour'),
                    $energy->written,
                    $lamp->written,
                ),
                [$case->run->id],
            )->naming(
                self::energy('E', 'ionisation energy', $energy, new Origin('library', $code, 'library of substances')),
                self::energy(
                    'E_lamp',
                    'energy of the lamp',
                    $lamp,
                    new Origin('instrument', $case->timeline->instrument->id, 'as registered'),
                ),
            );
        }
    }

    private static function energy(string $symbol, string $meaning, Decimal $energy, Origin $origin): Figure
    {
        return Figure::read($symbol, $meaning, $energy->value, CommonUnit::Electronvolt, $origin, $energy->decimals());
    }
}
