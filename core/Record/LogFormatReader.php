<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\LogFormat;
use Footnote\Core\Log\LogLayout;
use Footnote\Core\Log\LogStamps;

/** Reads and writes the "format" object of a log. */
final readonly class LogFormatReader
{
    /** @var array<array-key, ColumnKind> by what they are called in a record */
    private array $kinds;

    /** @param list<ColumnKind> $kinds that the families know */
    public function __construct(array $kinds)
    {
        $this->kinds = array_combine(array_map(static fn (ColumnKind $kind): string => $kind->id(), $kinds), $kinds);
    }

    public function read(Fields $fields): LogFormat
    {
        $columns = [];
        foreach ($fields->objects('columns') as $column) {
            $place = $column->raw('place') ?? throw new InvalidRecord($column->at('place'), 'is missing.');
            if (!\is_int($place) || $place < 0 || $place > 500) {
                throw new InvalidRecord($column->at('place'), 'must be a whole number between 0 and 500.');
            }
            if (isset($columns[$place])) {
                throw new InvalidRecord($column->at('place'), 'is named twice.');
            }
            $name = $column->word('kind');
            $kind = $this->kinds[$name] ?? throw new InvalidRecord(
                $column->at('kind'),
                \sprintf('"%s" is not one of: %s.', $name, implode(', ', array_map(strval(...), array_keys($this->kinds)))),
            );
            $rate = $column->optionalDecimal('exchangeRate', '2', '10');
            if ($kind->hasExchangeRate() && $rate === null) {
                throw new InvalidRecord($column->at('exchangeRate'), 'is needed: an average has an exchange rate of its own.');
            }
            $channel = $column->optionalText('channel', 40) ?? '';
            if ($kind->hasChannel() !== ($channel !== '')) {
                throw new InvalidRecord(
                    $column->at('channel'),
                    $channel === '' ? 'is needed: say which channel, size or band it is.' : 'is for readings, counts and bands only.',
                );
            }
            $statistic = $column->optionalText('statistic', 20) ?? '';
            if ($statistic !== '' && !\in_array($statistic, $kind->statistics(), true)) {
                throw new InvalidRecord($column->at('statistic'), 'is for readings, and must be average, maximum or minimum.');
            }
            $columns[$place] = new LogColumn(
                $kind,
                $column->optionalText('header') ?? '',
                $rate,
                $column->optionalDecimal('threshold', '0', '140'),
                $channel,
                $statistic,
            );
        }
        if ($columns === []) {
            throw new InvalidRecord($fields->at('columns'), 'names no column.');
        }
        $delimiter = $fields->raw('delimiter');
        if (!\is_string($delimiter) || !\in_array($delimiter, [',', ';', '|', "\t"], true)) {
            throw new InvalidRecord($fields->at('delimiter'), 'must be a comma, a semicolon, a bar or a tab.');
        }
        $decimal = $fields->word('decimal');
        if (!\in_array($decimal, ['.', ','], true)) {
            throw new InvalidRecord($fields->at('decimal'), 'must be a point or a comma.');
        }
        $order = $fields->oneOf('dateOrder', 'ymd', 'dmy', 'mdy');
        $time = [];
        $raw = $fields->raw('time') ?? [];
        foreach (\is_array($raw) ? $raw : throw new InvalidRecord($fields->at('time'), 'must be a list of places.') as $place) {
            $time[] = \is_int($place) && $place >= 0 ? $place : throw new InvalidRecord($fields->at('time'), 'must be a list of places.');
        }

        return new LogFormat(
            new LogLayout($delimiter, $decimal, (int) ($fields->optionalNumber('skip', 0, 1000) ?? 0)),
            $columns,
            new LogStamps($time, $order, $fields->optionalNumber('stepSeconds', 0.001, 86400), $fields->flag('stampAtEnd')),
        );
    }

    /** @return array<string, mixed> */
    public function write(LogFormat $format): array
    {
        $columns = [];
        foreach ($format->columns as $place => $column) {
            $columns[] = array_filter([
                'place' => $place,
                'kind' => $column->kind->id(),
                'header' => $column->header,
                'exchangeRate' => $column->exchangeRate?->written,
                'threshold' => $column->threshold?->written,
                'channel' => $column->channel === '' ? null : $column->channel,
                'statistic' => $column->statistic === '' ? null : $column->statistic,
            ], static fn (mixed $value): bool => $value !== null);
        }

        return array_filter([
            'delimiter' => $format->layout->delimiter,
            'decimal' => $format->layout->decimal,
            'skip' => $format->layout->skip,
            'columns' => $columns,
            'time' => $format->stamps->places,
            'dateOrder' => $format->stamps->dateOrder,
            'stepSeconds' => $format->stamps->step,
            'stampAtEnd' => $format->stamps->atEnd,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
