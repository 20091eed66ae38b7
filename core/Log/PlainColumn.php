<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** What most kinds of columns are: numbers of the whole unit, with nothing more to be known of them. */
trait PlainColumn
{
    public function id(): string
    {
        return $this->value;
    }

    public function isWhole(): bool
    {
        return false;
    }

    public function showsOverRange(): bool
    {
        return false;
    }

    public function hasExchangeRate(): bool
    {
        return false;
    }

    public function hasChannel(): bool
    {
        return false;
    }

    /** @return list<string> */
    public function statistics(): array
    {
        return [];
    }

    public function ofChannel(string $channel): string
    {
        return $channel;
    }

    public function plain(string $heading): string
    {
        return strtr($heading, ['₂' => '2', '₃' => '3', '₄' => '4']);
    }

    public function heading(): ?string
    {
        return null;
    }

    public function isTheUsual(): bool
    {
        return false;
    }
}
