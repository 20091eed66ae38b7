<?php

declare(strict_types=1);

namespace Footnote\Core;

use Footnote\Core\Flow\FlowFamily;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Gas\GasFamily;
use Footnote\Core\Gas\GasFormat;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Rule\SharedRules;
use Footnote\Core\Noise\Meter\MeterFamily;
use Footnote\Core\Noise\Meter\MeterFormat;
use Footnote\Core\Noise\NoiseFamily;
use Footnote\Core\Noise\NoiseFormat;
use Footnote\Core\Particle\ParticleFamily;
use Footnote\Core\Particle\ParticleFormat;
use Footnote\Core\Record\Formats;

/**
 * The families that Footnote knows. Adding one is a line in each list here and a folder beside the others. Only entrances ask
 * it: the container, the console without one, and tests; whatever lies below is handed what it needs.
 */
final class Families
{
    public static function assessor(): Assessor
    {
        return new Assessor(
            [new NoiseFamily(), new MeterFamily(), new FlowFamily(), new GasFamily(), new ParticleFamily()],
            SharedRules::all(),
        );
    }

    public static function formats(): Formats
    {
        return new Formats([
            'noise-dosimeter' => new NoiseFormat(),
            MeterFamily::ID => new MeterFormat(),
            FlowFamily::ID => new FlowFormat(),
            GasFamily::ID => new GasFormat(),
            ParticleFamily::ID => new ParticleFormat(),
        ]);
    }
}
