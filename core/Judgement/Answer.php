<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** The four answers to one question: what was the true value? */
enum Answer: string
{
    case Indicated = 'indicated';
    case Pre = 'pre';
    case Post = 'post';
    case Between = 'between';
    /** The end of the drift interval that is worse for whoever must show compliance. */
    case Cautious = 'cautious';

    /** As a policy names it. */
    public function brief(): string
    {
        return match ($this) {
            self::Indicated => 'as indicated',
            self::Pre => 'by the check before',
            self::Post => 'by the check after',
            self::Between => 'interpolated',
            self::Cautious => 'at the cautious end',
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Indicated => 'as the instrument indicated',
            self::Pre => 'as if the pre-check had held throughout',
            self::Post => 'as if the post-check had held throughout',
            self::Between => 'with the response interpolated',
            self::Cautious => 'at the cautious end of the drift interval',
        };
    }
}
