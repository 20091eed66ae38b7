<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\Scene;

/** Units of which one is due, one is past, one was never certified and one is for practice, and the reference that they are checked on. */
trait DueKit
{
    private static function scene(): Scene
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        $unit = ['family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in'];
        $certified = static fn (string $due): array => [
            'certificates' => [['number' => 'L-'.$due, 'laboratory' => 'L', 'issued' => '2025-06-01', 'due' => $due]],
        ];
        $scene->record['instruments'] = [
            ['id' => 'D', ...$unit, ...$certified('2026-03-05')],
            ['id' => 'D-2', ...$unit, ...$certified('2026-03-01')],
            ['id' => 'D-3', ...$unit],
            ['id' => 'D-4', ...$unit, ...$certified('2026-04-01'), 'practice' => true],
        ];
        $reference = Scene::calibrator('A', '114.0', '0.2');
        \assert(\is_array($reference['certificates']) && \is_array($reference['certificates'][0]));
        $reference['certificates'][0] = [...$reference['certificates'][0], 'issued' => '2025-06-01', 'due' => '2030-01-01'];
        $scene->record['references'] = [$reference];

        return $scene;
    }
}
