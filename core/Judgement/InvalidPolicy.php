<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

final class InvalidPolicy extends \InvalidArgumentException
{
    public function __construct(public readonly string $path, string $message)
    {
        parent::__construct($path.': '.$message);
    }
}
