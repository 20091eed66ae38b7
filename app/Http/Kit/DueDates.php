<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\SiteClock;
use Footnote\Core\Judgement\CertifiedTerm;

/** Whether a certificate is past, soon due or in date, by the days of the site. */
final readonly class DueDates
{
    /** Days ahead of a due date at which it is pointed out. */
    public const SOON = 45;

    private function __construct(public \DateTimeImmutable $now)
    {
    }

    public static function at(SiteClock $site): self
    {
        return new self($site->now());
    }

    /**
     * Through which day what a laboratory said counts, and by which interval where that ends before the certificate is due.
     *
     * @return array{due: string|null, dueInterval: string|null}
     */
    public static function told(?CertifiedTerm $term): array
    {
        return [
            'due' => $term?->until->format('Y-m-d'),
            'dueInterval' => $term?->endsByInterval() === true ? $term->routine?->interval->words() : null,
        ];
    }

    /** @param string|null $due a day; a certificate is in date through the end of the day it falls due */
    public function state(?string $due): string
    {
        return match (true) {
            $due === null => 'none',
            $due < $this->now->format('Y-m-d') => 'past',
            $due <= $this->now->modify('+'.self::SOON.' days')->format('Y-m-d') => 'soon',
            default => 'in date',
        };
    }
}
