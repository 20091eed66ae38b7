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
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\Shelf;

/** The families that Footnote knows. Adding one is a line in each list here and a folder beside the others. */
final class Families
{
    public static function assessor(): Assessor
    {
        return new Assessor([new NoiseFamily(), new MeterFamily(), new FlowFamily(), new GasFamily(), new ParticleFamily()], SharedRules::all());
    }

    /** @return array<string, ContentFormat> by family */
    public static function formats(): array
    {
        return ['noise-dosimeter' => new NoiseFormat(), MeterFamily::ID => new MeterFormat(), FlowFamily::ID => new FlowFormat(), GasFamily::ID => new GasFormat(), ParticleFamily::ID => new ParticleFormat()];
    }

    public static function format(string $family): ?ContentFormat
    {
        return self::formats()[$family] ?? null;
    }

    /** @return array<string, ReferenceKind> by its identifier */
    public static function referenceKinds(): array
    {
        $kinds = [];
        foreach (self::formats() as $format) {
            foreach ($format->referenceKinds() as $kind) {
                $kinds[$kind->id] = $kind;
            }
        }

        return $kinds;
    }

    public static function referenceKind(string $id): ?ReferenceKind
    {
        return self::referenceKinds()[$id] ?? null;
    }

    /** @return array<string, Shelf> by its identifier */
    public static function shelves(): array
    {
        $shelves = [];
        foreach (self::formats() as $format) {
            foreach ($format->shelves() as $shelf) {
                $shelves[$shelf->id] = $shelf;
            }
        }

        return $shelves;
    }
}
