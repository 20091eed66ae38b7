<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Something was removed, filled in or assumed, or was offered to be. One rule for each way in which that comes about. */
final readonly class AlterationMade implements Rule
{
    /** @param list<AlterationKind> $kinds */
    public function __construct(private string $id, private array $kinds)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->results->worked()->alterations as $one) {
            if (\in_array($one->kind, $this->kinds, true)) {
                yield $setting->finding(self::words($one), [$case->run->id]);
            }
        }
    }

    public static function words(Alteration $one): string
    {
        return ucfirst($one->what).' '.match ($one->kind) {
            AlterationKind::Recorded, AlterationKind::Rule => 'is left out: '.$one->why,
            AlterationKind::Person => \sprintf('is left out by %s: %s', $one->by, $one->why),
            AlterationKind::LeftIn => \sprintf('stays in; %s says: %s', $one->by, $one->why),
            AlterationKind::Offered => 'looks like a check and stays in: '.$one->why,
            AlterationKind::NotApplied => \sprintf(
                'was to be left out by %s (%s), and could not be: %s',
                $one->by,
                rtrim($one->why, '.'),
                'a total has no stretches, so it is still in the number',
            ),
            default => $one->why,
        }.'.';
    }
}
