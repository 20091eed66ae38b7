<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** That a certificate was typed in wrongly before: both stay on record, and what is another in it is told. */
final readonly class CertificateCorrection
{
    /**
     * @param string                                           $number  under which it was written before
     * @param string                                           $reason  what was wrong
     * @param list<array{label: string, was: string, is: string}> $changes in words; none where nobody told them
     */
    public function __construct(
        public string $number,
        public \DateTimeImmutable $at,
        public string $by,
        public string $reason,
        public array $changes,
    ) {
    }

    /** "certified 114 from 114.03 to 114.30". */
    public function words(): string
    {
        return implode('; ', array_map(
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
    }
}
