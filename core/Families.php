<?php

declare(strict_types=1);

namespace Footnote\Core;

use Footnote\Core\Derivation\Catalogue;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Dosimeter\DosimeterFamily;
use Footnote\Core\Dosimeter\DosimeterFormat;
use Footnote\Core\Flow\FlowDemands;
use Footnote\Core\Flow\FlowEquation;
use Footnote\Core\Flow\FlowFamily;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Flow\FlowSamples;
use Footnote\Core\Flow\Standard\StandardEquation;
use Footnote\Core\Gas\GasDemands;
use Footnote\Core\Gas\GasEquation;
use Footnote\Core\Gas\GasFamily;
use Footnote\Core\Gas\GasFormat;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\Rule\SharedRules;
use Footnote\Core\Log\LogEquation;
use Footnote\Core\Meter\MeterFamily;
use Footnote\Core\Meter\MeterFormat;
use Footnote\Core\Noise\AcousticDemands;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Particle\ParticleDemands;
use Footnote\Core\Particle\ParticleEquation;
use Footnote\Core\Particle\ParticleFamily;
use Footnote\Core\Particle\ParticleFormat;
use Footnote\Core\Planning\Demands;
use Footnote\Core\Planning\PlanEquation;
use Footnote\Core\Planning\Samplers;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\LineProfileShelf;
use Footnote\Core\Sheet\CommonTemplate;
use Footnote\Core\Sheet\SheetShelf;
use Footnote\Core\Sheet\ShipsSheets;

/**
 * The families that Footnote knows. Adding one is a line here and a folder beside the others. Only entrances ask it: the
 * container, the console without one, and tests; whatever lies below is handed what it needs.
 */
final class Families
{
    /** @return non-empty-list<array{Family, ContentFormat}> how each judges, and how it stands in the record format */
    public static function all(): array
    {
        return [
            [new DosimeterFamily(), new DosimeterFormat()],
            [new MeterFamily(), new MeterFormat()],
            [new FlowFamily(), new FlowFormat()],
            [new GasFamily(), new GasFormat()],
            [new ParticleFamily(), new ParticleFormat()],
        ];
    }

    /** Of each family whose measurements draw a sample, how much it must draw. */
    public static function samplers(): Samplers
    {
        return new Samplers([[FlowFamily::ID, new FlowSamples()]]);
    }

    /** Of each family whose units differ in what they can measure, what may be demanded of one. */
    public static function demands(): Demands
    {
        return new Demands([
            [(new DosimeterFamily())->id(), new AcousticDemands()],
            [MeterFamily::ID, new AcousticDemands()],
            [FlowFamily::ID, new FlowDemands()],
            [GasFamily::ID, new GasDemands()],
            [ParticleFamily::ID, new ParticleDemands()],
        ]);
    }

    public static function assessor(): Assessor
    {
        return new Assessor(array_column(self::all(), 0), SharedRules::all());
    }

    /** Every equation that a figure may name. */
    public static function catalogue(): Catalogue
    {
        return new Catalogue([
            ...SharedEquation::cases(),
            ...PlanEquation::cases(),
            ...LogEquation::cases(),
            ...NoiseEquation::cases(),
            ...StandardEquation::cases(),
            ...FlowEquation::cases(),
            ...GasEquation::cases(),
            ...ParticleEquation::cases(),
        ]);
    }

    /** @return list<array<string, mixed>> templates of model sheets: what is looked at before any check, and those of each family */
    private static function templates(): array
    {
        $sheets = [CommonTemplate::sheet()];
        foreach (self::all() as [, $format]) {
            $sheets = [...$sheets, ...($format instanceof ShipsSheets ? $format->sheets() : [])];
        }

        // Two families may share one.
        return array_values(array_unique($sheets, \SORT_REGULAR));
    }

    public static function formats(): Formats
    {
        $formats = [];
        foreach (self::all() as [$family, $format]) {
            $formats[$family->id()] = $format;
        }

        return new Formats($formats, [
            SheetShelf::with(array_keys($formats), self::templates()),
            LineProfileShelf::shelf(),
        ]);
    }
}
