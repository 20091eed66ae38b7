<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;

/** What would turn a statement about a limit. */
final readonly class TippingPoint
{
    /**
     * @param Figure|null $error the response error at which the reported value would sit on the limit; null: there is none
     * @param Sentence    $words what that means, against what was seen
     */
    public function __construct(public ?Figure $error, public Sentence $words)
    {
    }

    /** There is none, for a reason. */
    public static function none(string $why): self
    {
        return new self(null, Sentence::of($why));
    }
}
