<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** The octave bands by their nominal mid-band frequency, Hz (published: IEC 61260-1). */
enum OctaveBand: string
{
    case Hz31 = '31.5';
    case Hz63 = '63';
    case Hz125 = '125';
    case Hz250 = '250';
    case Hz500 = '500';
    case Hz1000 = '1000';
    case Hz2000 = '2000';
    case Hz4000 = '4000';
    case Hz8000 = '8000';
    case Hz16000 = '16000';

    /** The bands that make up nearly all of an A-weighted total. */
    public const USUAL = [self::Hz63, self::Hz125, self::Hz250, self::Hz500, self::Hz1000, self::Hz2000, self::Hz4000, self::Hz8000];

    /** As people write it: "500 Hz", "4 kHz". */
    public function words(): string
    {
        return \strlen($this->value) > 3 && $this !== self::Hz31 ? substr($this->value, 0, -3).' kHz' : $this->value.' Hz';
    }

    /** @return array<array-key, string> words by nominal frequency */
    public static function choices(): array
    {
        return array_combine(
            array_map(static fn (self $band): string => $band->value, self::cases()),
            array_map(static fn (self $band): string => $band->words(), self::cases()),
        );
    }
}
