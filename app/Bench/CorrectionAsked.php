<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Record\Fields;

/** What somebody wants to be corrected of a check. */
final readonly class CorrectionAsked
{
    /**
     * @param array<string, string|bool> $changes    by the path of what is corrected
     * @param string|null                $instrument that it was made of; null: it is not moved
     * @param Provenance                 $how        how it is known
     */
    private function __construct(
        public array $changes,
        public ?string $instrument,
        public string $reason,
        public Provenance $how,
    ) {
    }

    public static function of(Fields $told): self
    {
        $changes = [];
        foreach ($told->map('changes') as $path => $value) {
            $changes[$path] = \is_string($value) || \is_bool($value) ? $value : throw Problem::field($path, 'must be a text, yes or no.');
        }
        $instrument = $told->optionalText('instrument', 40) ?? '';
        $how = $told->choice('how', Provenance::class);
        if (!\in_array($how, Provenance::known(), true)) {
            throw Problem::field('/how', 'says how it is known what is right.');
        }

        return new self($changes, $instrument === '' ? null : $instrument, $told->text('reason'), $how);
    }
}
