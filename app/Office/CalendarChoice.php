<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/**
 * What of all that falls due a calendar is for.
 */
#[Exclude]
final readonly class CalendarChoice
{
    public const LABORATORY = 'laboratory';
    public const BENCH = 'bench';

    /** The days that are planned for a person, and nothing that falls due. */
    public const PERSON = 'person';

    /** So many units and references are named one by one at most. */
    private const MOST = 200;

    /**
     * @param string       $by     who does it: a laboratory, or people at the bench; empty: both; or a person, by plans of days
     * @param list<string> $kit    units and references; none: all of them
     * @param string       $person of whose days it is; empty where it is of what falls due
     */
    public function __construct(public string $by, public array $kit, public string $person = '')
    {
    }

    /**
     * As somebody asked for it.
     *
     * @param list<string> $known units and references that there are
     */
    public static function asked(Fields $told, array $known): self
    {
        $kit = array_values(array_unique($told->texts('kit')));
        if (\count($kit) > self::MOST) {
            throw Problem::field('/kit', \sprintf('may name %d units and references at most; leave it empty for all.', self::MOST));
        }
        $strange = array_values(array_diff($kit, $known));
        if ($strange !== []) {
            throw Problem::field('/kit', \sprintf('there is no unit or reference %s.', $strange[0]));
        }

        $by = $told->oneOf('by', self::LABORATORY, self::BENCH, self::PERSON) ?? '';
        $person = $told->optionalText('of', 80) ?? '';
        if (($by === self::PERSON) !== ($person !== '')) {
            throw Problem::field('/of', 'names the person whose planned days it is of, and nobody else where it is of what falls due.');
        }

        return new self($by, $kit, $person);
    }

    public function takes(DueItem $item): bool
    {
        $isForLaboratory = $this->by === self::LABORATORY;

        return $this->by !== self::PERSON
            && ($this->by === '' || $isForLaboratory === $item->due['laboratory'])
            && ($this->kit === [] || \in_array($item->id, $this->kit, true));
    }
}
