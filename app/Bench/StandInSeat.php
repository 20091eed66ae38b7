<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\StandIn\BringsStandIns;
use Footnote\Core\StandIn\Doings;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scene;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandIns;

/** A stand-in that takes the place of the unit of a half-done check: which, what is wrong with it, and since when. */
final readonly class StandInSeat
{
    /** Under which a half-done check keeps it; only the server writes it. */
    public const ANSWER = 'standIn';

    private function __construct(
        public StandIn $standIn,
        public ?string $fault,
        private int $seed,
        private \DateTimeImmutable $began,
    ) {
    }

    /** A new one in the place of a unit: another than any of another moment. Null where none can stand there. */
    public static function begin(Instrument $unit, Formats $families, ?string $fault, \DateTimeImmutable $now): ?self
    {
        $format = $families->of($unit->family);

        return $unit->isPractice() && $format instanceof BringsStandIns
            ? new self($format->standIns()[0], $fault, 1 + crc32($unit->id.' '.$now->format('U.u')) % 999_999, $now)
            : null;
    }

    /** What is connected; null where nothing is. */
    public static function of(Draft $draft, Formats $families): ?self
    {
        $told = $draft->answers()[self::ANSWER] ?? null;
        if (!\is_array($told)) {
            return null;
        }
        foreach (StandIns::of($families) as $standIn) {
            if ($standIn->id() === ($told['kind'] ?? null)) {
                $fault = $told['fault'] ?? null;
                $seed = $told['seed'] ?? 0;
                $began = $told['began'] ?? '';

                return new self(
                    $standIn,
                    \is_string($fault) ? $fault : null,
                    \is_int($seed) ? $seed : 0,
                    new \DateTimeImmutable(\is_string($began) ? $began : '@0'),
                );
            }
        }

        return null;
    }

    /** @return array<string, mixed> as the half-done check and the kept lines tell it */
    public function told(): array
    {
        return [
            'kind' => $this->standIn->id(),
            ...($this->fault === null ? [] : ['fault' => $this->fault]),
            'seed' => $this->seed,
            'began' => $this->began->format(\DATE_ATOM),
        ];
    }

    /**
     * What it printed in the last seconds.
     *
     * @param array<int|string, Reference> $references that the answers name, the chosen one among them
     * @param Doings                       $doings     what was done so far
     */
    public function lines(
        Draft $draft,
        Instrument $unit,
        array $references,
        ContentFormat $format,
        Doings $doings,
        float $seconds,
        \DateTimeImmutable $now,
    ): string {
        $answers = $draft->answers();
        $chosen = Cells::text($answers, 'reference');
        $scene = new Scene(
            $this->began,
            $unit,
            $references[$chosen] ?? null,
            array_values(array_filter($references, static fn (Reference $one): bool => $one->id !== $chosen)),
            $doings,
            self::said($answers, $format),
        );
        $printing = new Printing($unit->id, $this->standIn->atTheBench($scene, $this->seed, $this->fault), $this->began, $this->seed);
        $until = Span::secondsBetween($this->began, $now);
        $lines = '';
        foreach ($printing->between($until - $seconds, $until) as $line) {
            $lines .= $line->json()."\n";
        }

        return $lines;
    }

    /** @param array<string, mixed> $answers what cannot be read yet is not said yet */
    private static function said(array $answers, ContentFormat $format): Traits
    {
        $fields = Fields::of($answers);
        $readable = array_filter(
            [...$format->check(), Entry::text('setting', 'Setting')],
            static function (Entry $entry) use ($fields): bool {
                try {
                    EntryReader::read($fields, [$entry]);

                    return true;
                } catch (InvalidRecord) {
                    return false;
                }
            },
        );

        return EntryReader::read($fields, array_values($readable));
    }
}
