<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

/**
 * The rooms of the house as a picture: who stands on whom, drawn from what the files name. A room stands above all that it
 * names; an arrow that follows from others is not drawn.
 */
final readonly class RoomsPicture
{
    private const WIDTH = 1180;
    private const STEP = 92;
    private const HIGH = 34;

    /** @param array<string, list<string>> $rooms rooms that a room names, without circles */
    private function __construct(private array $rooms)
    {
    }

    public static function svg(House $house): string
    {
        $parts = [];
        $height = 10;
        foreach (['app' => 'app: the application', 'core' => 'core: the job'] as $folder => $title) {
            [$drawn, $high] = (new self(self::of($house, $folder)))->drawn();
            $text = '<text x="12" y="18" font-size="15" font-weight="bold" fill="#28343a">'.$title.'</text>';
            $parts[] = '<g transform="translate(0 '.$height.')">'.$text.$drawn.'</g>';
            $height += $high + 20;
        }
        $head = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 '.self::WIDTH.' '.$height.'" font-family="sans-serif" font-size="13">'
            .'<defs><marker id="tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="8" markerHeight="8" orient="auto">'
            .'<path d="M0 0 8 4 0 8z" fill="#6b7c85"/></marker></defs><rect width="100%" height="100%" fill="#fbfaf7"/>';

        return $head."\n".implode("\n", $parts)."\n</svg>\n";
    }

    /** @return array<string, list<string>> */
    private static function of(House $house, string $folder): array
    {
        $rooms = [];
        foreach ($house->files() as $from => $to) {
            $room = self::room($from, $folder);
            if ($room !== null) {
                $others = array_filter(
                    array_map(static fn (string $file): ?string => self::room($file, $folder), $to),
                    static fn (?string $one): bool => $one !== null,
                );
                $rooms[$room] = array_values(array_unique(array_diff([...$rooms[$room] ?? [], ...$others], [$room])));
            }
        }
        ksort($rooms);

        return $rooms;
    }

    private static function room(string $file, string $folder): ?string
    {
        return preg_match('~^'.$folder.'/(\w+)/~', $file, $found) === 1 ? $found[1] : null;
    }

    /** @return array{string, int} the drawing and its height */
    private function drawn(): array
    {
        $floors = [];
        foreach (array_keys($this->rooms) as $room) {
            $floors[$this->floor($room)][] = $room;
        }
        krsort($floors);
        $places = [];
        foreach (array_values($floors) as $row => $rooms) {
            // Under those that stand on them: fewer arrows cross.
            $under = array_map(fn (string $room): float => $this->under($room, $places), $rooms);
            array_multisort($under, $rooms);
            foreach ($rooms as $at => $room) {
                $across = self::WIDTH / \count($rooms);
                // Every other floor a little aside: an arrow past a floor shows between its rooms.
                $places[$room] = [(int) ($across * ($at + .5)) + ($row % 2 === 0 ? 0 : 38), 30 + $row * self::STEP];
            }
        }
        $drawn = '';
        foreach ($this->rooms as $room => $others) {
            foreach ($this->plain($others) as $other) {
                $drawn .= \sprintf(
                    '<path d="M%d %d L%d %d" stroke="#6b7c85" fill="none" marker-end="url(#tip)"/>',
                    $places[$room][0],
                    $places[$room][1] + self::HIGH,
                    $places[$other][0],
                    $places[$other][1] - 2,
                );
            }
        }
        foreach ($places as $room => [$x, $y]) {
            $wide = 26 + 8 * \strlen($room);
            $drawn .= \sprintf(
                '<rect x="%d" y="%d" width="%d" height="%d" rx="4" fill="#fff" stroke="#28343a"/>'
                .'<text x="%d" y="%d" text-anchor="middle" fill="#28343a">%s</text>',
                $x - intdiv($wide, 2),
                $y,
                $wide,
                self::HIGH,
                $x,
                $y + 22,
                $room,
            );
        }

        return [$drawn, 30 + \count($floors) * self::STEP];
    }

    /** @param array<string, array{int, int}> $places of the floors above */
    private function under(string $room, array $places): float
    {
        $names = fn (string $one): bool => \in_array($room, $this->plain($this->rooms[$one] ?? []), true);
        $above = array_filter($places, $names, \ARRAY_FILTER_USE_KEY);

        return $above === [] ? self::WIDTH / 2 : array_sum(array_column($above, 0)) / \count($above);
    }

    /** A room stands one floor above the highest that it names. */
    private function floor(string $room): int
    {
        return array_reduce($this->rooms[$room] ?? [], fn (int $floor, string $other): int => max($floor, 1 + $this->floor($other)), 0);
    }

    /**
     * @param list<string> $others
     *
     * @return list<string> those of them that none of the others leads to
     */
    private function plain(array $others): array
    {
        return array_values(array_filter($others, fn (string $one): bool => array_filter(
            $others,
            fn (string $other): bool => $other !== $one && $this->leads($other, $one),
        ) === []));
    }

    private function leads(string $from, string $to): bool
    {
        $named = $this->rooms[$from] ?? [];

        return \in_array($to, $named, true) || array_filter($named, fn (string $next): bool => $this->leads($next, $to)) !== [];
    }
}
