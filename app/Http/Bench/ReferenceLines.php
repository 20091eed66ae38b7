<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\Retirements;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ReferenceChoice;

/**
 * The references that can serve at a check, as the screen offers them.
 *
 * @phpstan-type Line array{
 *     id: string,
 *     model: string,
 *     about: string,
 *     settings: list<array{value: string, words: string}>,
 *     problems: list<string>,
 * }
 */
final readonly class ReferenceLines
{
    public function __construct(private Assessor $assessor, private Retirements $retirements)
    {
    }

    /**
     * @param array<int|string, Reference> $kit
     * @param string                       $chosen that was chosen already: it is told though it went out of use
     *
     * @return list<Line> with what speaks against each at that moment
     */
    public function of(Instrument $unit, array $kit, Policy $policy, \DateTimeImmutable $on, string $chosen = ''): array
    {
        $retired = $this->retirements->references();
        $inUse = array_values(array_filter(
            $kit,
            static fn (Reference $one): bool => $one->id === $chosen || !isset($retired['='.$one->id]),
        ));

        return array_map(
            static fn (ReferenceChoice $choice): array => self::line($choice->heldTo($policy, $on)),
            $this->assessor->family($unit->family)->bench()->choices($unit, $inUse, $on),
        );
    }

    /** @return Line */
    private static function line(ReferenceChoice $choice): array
    {
        return [
            'id' => $choice->reference->id,
            'model' => $choice->reference->model,
            'about' => $choice->about,
            'settings' => $choice->settings,
            'problems' => $choice->problems,
        ];
    }
}
