<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Certificate;

/**
 * The certificates of a unit or a reference as they stand in the record: what was written wrongly stays, what stands in its place
 * says so with `inPlaceOf`, and what belongs to nothing here is withdrawn. Only the others count.
 */
final readonly class Certificates
{
    public const CORRECTS = 'inPlaceOf';
    public const WITHDRAWS = 'withdraws';

    /** @param list<Fields> $items */
    private function __construct(private array $items)
    {
    }

    public static function of(Fields $owner): self
    {
        return new self($owner->objects('certificates'));
    }

    /**
     * Those that count.
     *
     * @param \Closure(Fields): Certificate $read
     *
     * @return list<Certificate>
     */
    public function standing(\Closure $read): array
    {
        $standing = [];
        foreach ($this->items as $place => $item) {
            $word = self::wordOf($item);
            if ($word !== null) {
                $meant = $this->meant($word, $place);
                if ($meant === []) {
                    $word->refuse('number', 'names no certificate before it that was issued on that day.');
                }
                $standing = array_diff_key($standing, $meant);
            }
            if (!$item->has(self::WITHDRAWS)) {
                $standing[$place] = $read($item);
            }
        }

        return array_values($standing);
    }

    /**
     * All of them, and of each that counts no more why.
     *
     * @return list<array{record: array<string, mixed>, word: string|null}>
     */
    public function told(): array
    {
        $words = [];
        foreach ($this->items as $place => $item) {
            $word = self::wordOf($item);
            if ($word !== null) {
                $told = \sprintf(
                    '%s on %s by %s: %s',
                    $item->has(self::WITHDRAWS) ? 'withdrawn' : 'corrected',
                    $word->moment('at')->format('j M Y'),
                    $word->text('by'),
                    $word->text('reason'),
                );
                $words += array_fill_keys(array_keys($this->meant($word, $place)), $told);
            }
        }
        $told = [];
        foreach ($this->items as $place => $item) {
            if (!$item->has(self::WITHDRAWS)) {
                $told[] = ['record' => $item->data(), 'word' => $words[$place] ?? null];
            }
        }

        return $told;
    }

    private static function wordOf(Fields $item): ?Fields
    {
        return $item->optionalObject(self::CORRECTS) ?? $item->optionalObject(self::WITHDRAWS);
    }

    /** @return array<int, true> the places of those before it that it means */
    private function meant(Fields $word, int $place): array
    {
        $meant = [];
        foreach (\array_slice($this->items, 0, $place) as $before => $item) {
            if (!$item->has(self::WITHDRAWS)
                && $item->text('number') === $word->text('number')
                && $item->text('issued') === $word->text('issued')) {
                $meant[$before] = true;
            }
        }

        return $meant;
    }
}
