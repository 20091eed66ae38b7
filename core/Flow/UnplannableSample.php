<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** What was asked makes no plan; the field that stands in the way is named. */
final class UnplannableSample extends \DomainException
{
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }
}
