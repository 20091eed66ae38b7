<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The key of the journal, kept outside of the folder of the logbook: whoever can write the database and has not got it can write a
 * chain anew, and not its head.
 */
final readonly class JournalKey
{
    public function __construct(#[Autowire('%env(FOOTNOTE_JOURNAL_KEY)%')] #[\SensitiveParameter] private string $key)
    {
    }

    public function isSet(): bool
    {
        return $this->key !== '';
    }

    /** By which key; it says nothing of it. */
    public function id(): string
    {
        return $this->isSet() ? substr(hash('sha256', 'footnote journal key '.$this->key), 0, 16) : '';
    }

    /** The mark of something by the key; empty where there is none. */
    public function mark(string $said): string
    {
        return $this->isSet() ? hash_hmac('sha256', $said, $this->key) : '';
    }

    public function marked(string $said, string $mark): bool
    {
        return $this->isSet() && hash_equals($this->mark($said), $mark);
    }
}
