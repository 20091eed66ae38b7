<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\Logbook;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Planning\Samplers;
use Footnote\Core\Planning\SampleSize;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;

/** How much a sample must draw to give a usable answer, by the libraries of this logbook and the past of its units. */
final readonly class Samples
{
    public function __construct(
        private Samplers $samplers,
        private Libraries $libraries,
        private Logbook $logbook,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<Entry> what is asked; none where no family draws samples */
    public function entries(): array
    {
        return $this->samplers->any()?->sampleEntries() ?? [];
    }

    /** @return list<string> families that draw samples */
    public function families(): array
    {
        return $this->samplers->families();
    }

    /**
     * @param string|null $family null: the first that draws samples
     *
     * @return SampleSize|null null where it draws none
     *
     * @throws InvalidRecord naming the field that stands in the way
     */
    public function size(?string $family, Fields $told): ?SampleSize
    {
        $sampler = $family === null ? $this->samplers->any() : $this->samplers->of($family);

        return $sampler?->size(
            $told,
            $this->entry(...),
            fn (string $unit): Timeline => $this->logbook->timeline($unit),
            $this->clock->now(),
        );
    }

    /**
     * Of a measurement of a day, in the time in which it is measured.
     *
     * @param array<mixed> $told what is asked of its sample
     * @param int          $late minutes by which it begins later than it was wanted
     * @param string|null  $unit whose past drift counts
     * @param string       $path of what is told, where it is refused
     *
     * @return SampleSize|null null where it draws none
     *
     * @throws InvalidRecord naming the field that stands in the way
     */
    public function ofWanted(Wanted $wanted, array $told, int $late, ?string $unit, string $path = ''): ?SampleSize
    {
        if ($told === []) {
            return null;
        }
        $minutes = max(1, (int) round($wanted->span->seconds() / 60) - $late);
        $asked = [...$told, 'shiftMinutes' => (string) $minutes, ...($unit === null ? [] : ['unit' => $unit])];

        return $this->size($wanted->family, Fields::of($asked, $path));
    }

    /**
     * Until when what a run drew must be analysed.
     *
     * @param array<string, mixed> $run as it is recorded
     *
     * @return \DateTimeImmutable|null null where nobody says
     */
    public function holdsUntil(string $family, array $run, \DateTimeImmutable $drawn): ?\DateTimeImmutable
    {
        $days = $this->samplers->of($family)?->holdingDays(Fields::of($run), $this->entry(...));

        return SampleSize::until($days, $drawn);
    }

    private function entry(string $shelf, string $code): ?Traits
    {
        return $this->libraries->find($shelf, $code);
    }
}
