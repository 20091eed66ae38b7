<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

final readonly class Remark
{
    public function __construct(public RemarkKind $kind, public ?\DateTimeImmutable $at, public string $note)
    {
    }
}
