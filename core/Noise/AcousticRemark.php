<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\RemarkKind;

/** What may be reported of a unit with a microphone beside what may be of any. */
enum AcousticRemark: string implements RemarkKind
{
    case MicrophoneCovered = 'microphone covered';

    public function id(): string
    {
        return $this->value;
    }

    public function spoils(): bool
    {
        return true;
    }
}
