<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Runs\FitLines;
use Footnote\Core\Planning\Readiness;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/**
 * One thing that falls due, and of what.
 *
 * @phpstan-import-type Due from FitLines
 */
#[Exclude]
final readonly class DueItem
{
    /** The last moment at which it counts; null: it was never done, as far as is known. */
    private ?\DateTimeImmutable $until;

    /**
     * @param 'instruments'|'references'|'samples' $owner
     * @param string                               $model   of a sample its method
     * @param Due                                  $due
     * @param list<string>                         $holdsUp units
     * @param Readiness|null                       $takes   how long; null where that is nobody's to say here
     * @param string                               $note    what else is said of it
     */
    public function __construct(
        public string $owner,
        public string $id,
        public string $model,
        public array $due,
        public array $holdsUp = [],
        public ?Readiness $takes = null,
        public string $note = '',
    ) {
        $this->until = $due['until'] === null ? null : new \DateTimeImmutable($due['until']);
    }

    /**
     * What no rule judges: it is wanted by a moment, and nothing more is said of it.
     *
     * @return Due
     */
    public static function plain(string $what, \DateTimeImmutable $until, string $evidence, bool $laboratory): array
    {
        return [
            'what' => $what,
            'channels' => [],
            'until' => $until->format(\DATE_ATOM),
            'evidence' => $evidence,
            'every' => '',
            'own' => false,
            'daily' => false,
            'source' => '',
            'laboratory' => $laboratory,
            'weighs' => null,
        ];
    }

    /** In the order in which somebody sees to it: what was never done has no moment, and stands before all. */
    public static function order(self $one, self $other): int
    {
        return [$one->until?->getTimestamp() ?? 0, $one->id] <=> [$other->until?->getTimestamp() ?? 0, $other->id];
    }

    public function until(\DateTimeZone $zone): ?\DateTimeImmutable
    {
        return $this->until?->setTimezone($zone);
    }

    /** Whether it does not count any more, or never did. */
    public function isOverAt(\DateTimeImmutable $now): bool
    {
        return $this->until === null || $now > $this->until;
    }

    /** Whether it is late for nothing, though it is over: it is wanted anew every day, and the unit lies on the shelf. */
    public function isOnlyBeforeUse(\DateTimeImmutable $now): bool
    {
        return $this->due['daily'] && $this->isOverAt($now);
    }
}
