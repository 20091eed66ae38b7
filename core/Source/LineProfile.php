<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\StampReader;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/** How the lines that an instrument prints are read: the open lines of docs/formats.md, or columns that a site has described once. */
final readonly class LineProfile
{
    /** What parts the columns, by what stands in a record. */
    public const DELIMITERS = ['comma' => ',', 'semicolon' => ';', 'tab' => "\t", 'bar' => '|', 'blanks' => ' '];

    /**
     * @param list<ProfileColumn> $columns none: open lines
     * @param string              $begins  with which a line of readings begins; others are passed over
     */
    private function __construct(
        private array $columns,
        private string $delimiter,
        private string $begins,
        private StampReader $stamps,
    ) {
    }

    public static function openLines(): self
    {
        return new self([], '', '', new StampReader('ymd'));
    }

    /** @param Traits $entry of the library of line profiles */
    public static function of(Traits $entry): self
    {
        return new self(
            array_map(ProfileColumn::of(...), $entry->rows('columns')),
            self::DELIMITERS[$entry->text('delimiter') ?? 'comma'] ?? ',',
            $entry->text('begins') ?? '',
            new StampReader($entry->text('dateOrder') ?? 'ymd'),
        );
    }

    /**
     * What one line says.
     *
     * @param int                     $line    its number in the stretch, from 1
     * @param \DateTimeImmutable|null $arrived when it came; null: nobody saw it come
     * @param \DateTimeZone           $zone    of the site: that of times that say none
     *
     * @return list<Sample> none where it is passed over
     *
     * @throws UnreadableLine
     */
    public function read(int $line, string $text, ?\DateTimeImmutable $arrived, \DateTimeZone $zone): array
    {
        if (trim($text) === '' || ($this->begins !== '' && !str_starts_with($text, $this->begins))) {
            return [];
        }

        return $this->columns === []
            ? [$this->openLine($line, $text, $arrived)]
            : $this->columns($line, $text, $arrived, $zone);
    }

    private function openLine(int $line, string $text, ?\DateTimeImmutable $arrived): Sample
    {
        $told = json_decode($text, true);
        if (!\is_array($told)) {
            throw UnreadableLine::because('is no open line: {"at", "unit", "channel", "value", "in"}.');
        }
        $channel = $told['channel'] ?? null;
        $in = $told['in'] ?? null;
        if (!\is_string($channel) || !\is_string($in)) {
            throw UnreadableLine::because('names no channel, or no unit of measure ("in").');
        }
        $value = $told['value'] ?? null;
        // A number loses its digits once it is read: they are taken from the line.
        if (\is_int($value) || \is_float($value)) {
            $value = preg_match('/"value"\s*:\s*([^,}\s]+)/', $text, $digits) === 1 ? $digits[1] : '';
        }
        $at = $told['at'] ?? null;
        $own = \is_string($at) && preg_match('/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?(Z|[+-]\d{2}:\d{2})$/D', $at) === 1
            ? date_create_immutable($at)
            : null;
        $unit = $told['unit'] ?? '';

        return new Sample(
            $line,
            self::moment($arrived, $own === false ? null : $own),
            \is_string($unit) ? $unit : '',
            $channel,
            self::number(\is_string($value) ? $value : ''),
            $in,
            ($told['simulated'] ?? false) === true,
        );
    }

    /** @return list<Sample> */
    private function columns(int $line, string $text, ?\DateTimeImmutable $arrived, \DateTimeZone $zone): array
    {
        $parts = $this->delimiter === ' '
            ? preg_split('/[ \t]+/', trim($text))
            : str_getcsv($text, $this->delimiter === '' ? ',' : $this->delimiter, '"', '');
        $parts = array_map(static fn (?string $part): string => trim($part ?? ''), $parts === false ? [] : $parts);
        $told = [];
        foreach ($this->columns as $column) {
            if ($column->holds !== ProfileColumn::VALUE) {
                $told[$column->holds] = trim(($told[$column->holds] ?? '').' '.($parts[$column->place] ?? ''));
            }
        }
        $at = self::moment($arrived, $this->stamp($told[ProfileColumn::TIME] ?? '', $zone));
        $samples = [];
        foreach ($this->columns as $column) {
            if ($column->holds !== ProfileColumn::VALUE) {
                continue;
            }
            $written = $parts[$column->place] ?? throw UnreadableLine::because(\sprintf('has no column %d.', $column->place + 1));
            $samples[] = new Sample(
                $line,
                $at,
                $told[ProfileColumn::UNIT] ?? '',
                $column->channel !== '' ? $column->channel : $told[ProfileColumn::CHANNEL] ?? '',
                self::number($written),
                $column->in !== '' ? $column->in : $told[ProfileColumn::IN] ?? '',
            );
        }

        return $samples;
    }

    private function stamp(string $text, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        if ($text === '') {
            return null;
        }
        $seconds = $this->stamps->seconds($text) ?? throw UnreadableLine::because(\sprintf('says the time "%s", which is none.', $text));
        $local = gmdate('Y-m-d H:i:s', (int) floor($seconds));

        return new \DateTimeImmutable($local, $zone);
    }

    private static function moment(?\DateTimeImmutable $arrived, ?\DateTimeImmutable $own): \DateTimeImmutable
    {
        return $arrived ?? $own ?? throw UnreadableLine::because('has no time, and nobody saw it come.');
    }

    private static function number(string $written): Decimal
    {
        try {
            return Decimal::parse($written);
        } catch (MalformedDecimal) {
            throw UnreadableLine::because(\sprintf('shows "%s", which is no number.', mb_substr(mb_scrub($written), 0, 40)));
        }
    }
}
