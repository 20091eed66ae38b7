<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** Guesses how a log file is written from its first lines; a person confirms. */
final class LogFormatGuess
{
    /**
     * @param list<string>                 $lines the first lines of the file, fifty or so
     * @param non-empty-list<ColumnChoice> $kinds what its columns may hold, the usual first; of two that a heading fits it is the rarer
     *
     * @throws UnreadableLog where no table can be seen in them
     */
    public static function of(array $lines, array $kinds): LogFormat
    {
        $lines = array_map(static fn (string $line): string => rtrim($line, "\r\n"), $lines);
        [$delimiter, $decimal, $skip, $cells] = self::table($lines);
        $header = $skip > 0 ? self::cells($lines[$skip - 1], $delimiter) : [];
        $time = self::timePlaces($cells);
        $order = $time === [] ? null : self::dateOrder(array_slice($lines, $skip), $delimiter, $time);

        $columns = [];
        foreach ($cells as $place => $cell) {
            if (\in_array($place, $time, true) || !self::isNumber($cell, $decimal)) {
                continue;
            }
            $title = trim($header[$place] ?? '', " \t\"");
            $column = self::column($title, $kinds);
            if ($column !== null) {
                $columns[$place] = $column;
            }
        }
        $usual = array_values(array_filter($kinds, static fn (ColumnChoice $choice): bool => $choice->kind->isTheUsual()))[0] ?? null;
        $channelled = array_filter($kinds, static fn (ColumnChoice $one): bool => $one->channels !== []) !== [];
        if ($columns === [] && $usual !== null && !$channelled) {
            foreach ($cells as $place => $cell) {
                if (!\in_array($place, $time, true)
                    && self::isNumber($cell, $decimal)
                    && preg_match('/^\s*"?\d{2,3}[.,]\d/', $cell) === 1) {
                    $columns[$place] = new LogColumn($usual->kind, trim($header[$place] ?? ''));
                    break;
                }
            }
        }

        return new LogFormat(new LogLayout($delimiter, $decimal, $skip), $columns, new LogStamps($time, $order));
    }

    /**
     * Told by the channel that stands in its title, else by what such columns are called.
     *
     * @param non-empty-list<ColumnChoice> $kinds
     */
    private static function column(string $title, array $kinds): ?LogColumn
    {
        foreach ($kinds as $choice) {
            $channel = self::channel($choice->kind->plain($title), $choice->channels);
            if ($channel !== null) {
                return new LogColumn($choice->kind, $title, channel: $channel);
            }
        }
        foreach (array_reverse($kinds) as $choice) {
            $pattern = $choice->kind->heading();
            if ($pattern !== null && preg_match($pattern, $title) === 1) {
                return new LogColumn($choice->kind, $title);
            }
        }

        return null;
    }

    /**
     * The longest name of a channel that stands in the title as a word.
     *
     * @param list<string> $channels
     */
    private static function channel(string $title, array $channels): ?string
    {
        usort($channels, static fn (string $a, string $b): int => \strlen($b) <=> \strlen($a));
        foreach ($channels as $channel) {
            // A size is a number with its unit behind it; a name ends where no letter or digit follows.
            $pattern = is_numeric($channel)
                ? '(?<![\d.])'.preg_quote($channel, '/').'(?:\.0+)?(?![\d.])'
                : '(?<![A-Za-z0-9])'.preg_quote($channel, '/').'(?![A-Za-z0-9])';
            if (preg_match('/'.$pattern.'/i', $title) === 1) {
                return $channel;
            }
        }

        return null;
    }

    /** @return list<string> */
    public static function cells(string $line, string $delimiter): array
    {
        return array_map(static fn (?string $cell): string => $cell ?? '', str_getcsv($line, $delimiter, '"', ''));
    }

    /**
     * The delimiter, decimal sign and first line of data, by what makes the last lines most alike.
     *
     * @param list<string> $lines
     *
     * @return array{non-empty-string, string, int, list<string>}
     */
    private static function table(array $lines): array
    {
        $best = null;
        foreach ([';', "\t", '|', ','] as $delimiter) {
            foreach (['.', ','] as $decimal) {
                if ($decimal === $delimiter) {
                    continue;
                }
                $skip = null;
                $width = 0;
                foreach ($lines as $place => $line) {
                    $cells = self::cells($line, $delimiter);
                    $numbers = \count(array_filter($cells, static fn (string $cell): bool => self::isNumber($cell, $decimal)));
                    if ($numbers > 0
                        && $numbers + \count(array_filter($cells, self::isTime(...))) >= \count(
                            array_filter($cells, static fn (string $cell): bool => trim($cell) !== ''),
                        )) {
                        $skip ??= $place;
                        $width = \count($cells);
                    } elseif (trim($line) !== '') {
                        $skip = null;
                    }
                }
                if ($skip !== null && ($best === null || $width > $best[4])) {
                    $best = [$delimiter, $decimal, $skip, self::cells($lines[$skip], $delimiter), $width];
                }
            }
        }
        if ($best === null) {
            throw UnreadableLog::because('No table of numbers can be seen in the first lines of the file.');
        }

        return [$best[0], $best[1], $best[2], $best[3]];
    }

    private static function isNumber(string $cell, string $decimal): bool
    {
        $cell = trim($cell);

        return \in_array(strtolower($cell), ['-', '--', '---', 'nan', 'n/a'], true)
            || preg_match(LogReader::OVER, $cell) === 1
            || preg_match($decimal === '.' ? '/^[+-]?\d+(\.\d+)?$/' : '/^[+-]?\d+(,\d+)?$/', $cell) === 1;
    }

    private static function isTime(string $cell): bool
    {
        return preg_match(
            '/^\s*(\d{1,4}[-.\/]\d{1,2}[-.\/]\d{1,4})?[ T]*'
                .'(\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?(\s*[AaPp]\.?[Mm]\.?)?)?(Z|[+-]\d{2}:?\d{2})?\s*$/',
            $cell,
        ) === 1
            && trim($cell) !== ''
            && preg_match('/[:\-\/.]/', $cell) === 1;
    }

    /**
     * @param list<string> $cells
     *
     * @return list<int>
     */
    private static function timePlaces(array $cells): array
    {
        $places = [];
        foreach ($cells as $place => $cell) {
            if (self::isTime($cell) && !self::isNumber($cell, '.') && !self::isNumber($cell, ',')) {
                $places[] = $place;
            }
        }

        return \array_slice($places, 0, 2);
    }

    /**
     * @param list<string> $lines
     * @param list<int>    $time
     */
    private static function dateOrder(array $lines, string $delimiter, array $time): ?string
    {
        $order = null;
        foreach ($lines as $line) {
            $cells = self::cells($line, $delimiter);
            $stamp = implode(' ', array_map(static fn (int $place): string => $cells[$place] ?? '', $time));
            if (preg_match('/^\s*(\d{1,4})([-.\/])(\d{1,2})[-.\/](\d{1,4})/', $stamp, $part) !== 1) {
                continue;
            }
            if (\strlen($part[1]) === 4) {
                return 'ymd';
            }
            if ((int) $part[3] > 12) {
                return 'mdy';
            }
            $order = 'dmy';
        }

        return $order;
    }
}
