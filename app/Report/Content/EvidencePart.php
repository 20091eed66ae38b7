<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Shown\CertificateLines;
use Footnote\App\Shown\TraitsLine;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\Recall;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\ReferenceKind;

/** What the results rest on, once for all of them: references with their certificates, units, the checks that closed them, people. */
final readonly class EvidencePart
{
    public const PART = 'evidence';

    /** @param list<array{string, string}> $trends units and channels, each with how it goes on, in words */
    public function __construct(
        private Gathered $gathered,
        private Logbook $logbook,
        private Formats $families,
        private \DateTimeZone $zone,
        private array $trends,
        private string $cautions,
    ) {
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return [
            Block::heading('evidence', 1, Line::of(Labels::EVIDENCE)),
            ...$this->references(),
            ...$this->table(Labels::UNITS, 'units', [], array_map(
                static fn (string $unit, string $words): array => [Line::of(substr($unit, 1)), Line::of($words)],
                array_keys($this->gathered->units),
                array_values($this->gathered->units),
            )),
            ...$this->trends(),
            ...$this->table(Labels::CHECKS, 'checks', ['Check', 'Unit', 'When, by whom', 'On', 'Ends the bracket of'], array_map(
                static fn (string $check, array $of): array => [
                    Line::of(substr($check, 1)),
                    Line::of($of['unit']),
                    Line::of($of['at'].', '.$of['by']),
                    Line::of($of['on'] === [] ? 'none' : implode(', ', $of['on'])),
                    Line::of(implode(', ', array_unique($of['runs']))),
                ],
                array_keys($this->gathered->checks),
                array_values($this->gathered->checks),
            )),
            ...$this->table(Labels::PEOPLE, 'people', [], array_map(
                static fn (string $code, array $did): array => [Line::of(substr($code, 1)), Line::of(implode('; ', array_keys($did)))],
                array_keys($this->gathered->people),
                array_values($this->gathered->people),
            )),
            Block::heading('cautions', 1, Line::of(Labels::CAUTIONS)),
            Block::text('cautions-text', $this->cautions),
        ];
    }

    /** @return list<Block> */
    private function trends(): array
    {
        $blocks = $this->table(Labels::TRENDS, 'trends', ['Unit', 'What its checks show'], array_map(
            static fn (array $one): array => [Line::of($one[0]), Line::of($one[1])],
            $this->trends,
        ));

        return $blocks === [] ? [] : [...$blocks, Block::paragraph('trends-until', Line::of()->soft(\sprintf(
            Labels::TRENDS_UNTIL,
            Shown::withOffset($this->gathered->until, $this->zone),
        )))];
    }

    /**
     * @param list<string>     $head
     * @param list<list<Line>> $rows
     *
     * @return list<Block>
     */
    private function table(string $title, string $name, array $head, array $rows): array
    {
        return $rows === [] ? [] : [
            Block::heading($name, 3, Line::of($title)),
            Block::table($name.'-table', '', $head, $rows),
        ];
    }

    /** @return list<Block> */
    private function references(): array
    {
        $rows = [];
        $known = $this->logbook->references(array_map(
            static fn (string $id): string => substr($id, 1),
            array_keys($this->gathered->references),
        ));
        foreach ($known as $reference) {
            $moments = array_map(
                fn (string $at): \DateTimeImmutable => (new \DateTimeImmutable($at))->setTimezone($this->zone),
                $this->gathered->references['='.$reference->id] ?? [],
            );
            $kind = $this->families->referenceKind($reference->kind);
            $rows[] = [
                Line::of($reference->id)->text(\sprintf(', %s, %s', $kind === null ? $reference->kind : $kind->title, $reference->model))
                    ->soft($kind === null ? '' : self::about(TraitsLine::line($reference->traits, $kind->entries))),
                self::certificates($reference, $moments, $kind),
                $this->recalls($reference),
            ];
        }

        return $this->table(Labels::REFERENCES, 'references', ['Reference', 'Certificate that it was used by', 'Recalls'], $rows);
    }

    private static function about(string $words): string
    {
        return $words === '' ? '' : ', '.$words;
    }

    /** @param list<\DateTimeImmutable> $moments at which it was leaned on */
    private static function certificates(Reference $reference, array $moments, ?ReferenceKind $kind): Line
    {
        $told = [];
        foreach ($moments as $moment) {
            $certificate = $reference->certificateAt($moment);
            $told[$certificate === null ? 'none' : $certificate->number] ??= $certificate === null
                ? 'No certificate.'
                : self::certificate($certificate, $kind);
            if ($certificate !== null && !$certificate->inForceAt($moment)) {
                $told[$certificate->number.' out'] = \sprintf('Out of date on %s.', $moment->format('j M Y'));
            }
        }

        return Line::of(implode(' ', $told));
    }

    private static function certificate(Certificate $certificate, ?ReferenceKind $kind): string
    {
        $values = array_map(static fn (array $line): string => \sprintf(
            '%s%s %s%s%s',
            $line['nominal'],
            $line['beside'] === '' ? '' : ' ('.$line['beside'].')',
            $line['unit'] === '' ? $line['certified'] : 'is '.$line['certified'],
            $line['uncertainty'] === '' ? '' : ' ± '.$line['uncertainty'],
            $line['unit'] === '' ? '' : ' '.$line['unit'],
        ), CertificateLines::of($certificate, $kind));

        return \sprintf(
            '%s of %s, %s, due %s%s.',
            $certificate->number,
            $certificate->issued->format('j M Y'),
            $certificate->laboratory,
            $certificate->due->format('j M Y'),
            $values === [] ? '' : ': '.implode('; ', $values),
        );
    }

    private function recalls(Reference $reference): Line
    {
        return Line::of(implode(' ', array_map(
            fn (Recall $recall): string => \sprintf(
                'Recalled from %s%s: %s, %s.',
                Shown::day($recall->since->format(\DATE_ATOM), $this->zone),
                $recall->until === null ? '' : ' to '.Shown::day($recall->until->format(\DATE_ATOM), $this->zone),
                $recall->reason,
                $recall->error === null
                    ? 'by how much is not known'
                    : trim('off by '.Shown::signed($recall->error->written).' '.($recall->unit->value ?? '')),
            ),
            $reference->recalls->all,
        )));
    }
}
