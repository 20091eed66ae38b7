<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** That something of a unit, a reference or a certificate was typed in wrongly before: both stay on record, what is another is told. */
final readonly class KitCorrection
{
    /**
     * @param string                                              $reason  what was wrong
     * @param list<array{label: string, was: string, is: string}> $changes in words; none where nobody told them
     */
    public function __construct(public \DateTimeImmutable $at, public string $by, public string $reason, public array $changes)
    {
    }

    /** "certified at 114 114.30 dB, before 114.03 dB". */
    public function words(): string
    {
        $told = implode('; ', array_map(
            static fn (array $change): string => \sprintf(
                '%s %s',
                lcfirst($change['label']),
                match (true) {
                    $change['was'] === '' => $change['is'].', before nothing',
                    $change['is'] === '' => 'nothing, before '.$change['was'],
                    default => $change['is'].', before '.$change['was'],
                },
            ),
            $this->changes,
        ));

        return $told === '' ? 'nobody told what' : $told;
    }
}
