<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\RemarkKind;

/** Which remarks weigh alike. */
final class Remarks
{
    public const PLAIN = [RemarkKind::Knocked, RemarkKind::Fell, RemarkKind::RainedOn, RemarkKind::StoppedByItself, RemarkKind::Other];
    public const WORN_WRONGLY = [RemarkKind::WornByAnother, RemarkKind::MicrophoneCovered];
}
