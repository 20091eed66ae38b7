<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Judgement\Rule\RemovedByRule;
use Footnote\Core\Judgement\Topic;

/** The rules for every unit with a microphone, worn or held. */
final class NoiseRules
{
    public static function topic(): Topic
    {
        return new Topic(['noise' => 'Noise'], 'offset', 'Noise is reported');
    }

    /** @return list<\Footnote\Core\Judgement\Rule> */
    public static function all(): array
    {
        return [
            new Rule\Drift(),
            new Rule\AsFoundLarge(),
            new Rule\LeftOffLevel('noise.left-off', 'noise.left-off-large'),
            new Rule\LeftOffLevel('noise.left-off-large', null),
            new Rule\LevelDoubtful(),
            new Rule\DoseCriterionOther(),
            new Rule\CumulativeAdjustment(),
            new Rule\EnteredLevel(),
            new Rule\AdapterSize(),
            new Rule\Resolution(),
            new RemovedByRule('noise.tone-removed'),
            new Rule\Overload(),
            new Rule\FlatStretch(),
            new Rule\KnockSeen(),
            new Rule\Gap('noise.gap', 'noise.gap-large'),
            new Rule\Gap('noise.gap-large', null),
            new Rule\ColumnNotFit(),
            new Rule\NothingMeasured(),
            new Rule\BehindProtection(),
            new Rule\SettingsDiffer(),
            new Rule\SettingsUnstated(),
        ];
    }
}
