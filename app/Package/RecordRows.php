<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\CsvSheet;
use Footnote\App\Shown\CertificateLines;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\Recall;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\ReferenceKind;

/**
 * What a record holds, as lines of the tables that tell of it.
 *
 * @phpstan-import-type Row from AssessedRows
 */
final readonly class RecordRows
{
    public function __construct(private Formats $families, private EvidenceReader $reader)
    {
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return \Generator<int, Row>
     */
    public function checks(array $record): \Generator
    {
        $family = [];
        foreach (Cells::rows($record, 'instruments') as $unit) {
            $family['='.Cells::text($unit, 'id')] = Cells::text($unit, 'family');
        }
        foreach (Cells::rows($record, 'checks') as $told) {
            $format = $this->families->of($family['='.Cells::text($told, 'instrument')] ?? '');
            $check = $this->reader->check(Fields::of($told), $format);
            $said = array_filter(
                $format->describeCheck($check->content),
                static fn (array $cell): bool => $cell['shown'] !== '',
            );
            yield [
                'check' => $check->id,
                'unit' => $check->instrument,
                'at' => $check->at->format(\DATE_ATOM),
                'by' => implode(' ', $check->notes->codes()),
                'reference' => (string) $check->reference,
                'references' => implode(' ', $check->leansOn()),
                'said' => implode(CsvSheet::NEXT, array_map(static fn (array $cell): string => $cell['label'].': '.$cell['shown'], $said)),
                'set_aside' => $check->notes->setAside->reason ?? '',
                'in_place_of' => Cells::text(Cells::map($told, 'inPlaceOf'), 'check'),
            ];
        }
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return \Generator<int, Row>
     */
    public function certificates(array $record): \Generator
    {
        foreach (Cells::rows($record, 'references') as $told) {
            $reference = $this->reader->reference(Fields::of($told));
            $recalls = implode(CsvSheet::NEXT, array_map(self::recall(...), $reference->recalls->all));
            $of = ['kind' => 'reference', 'of' => $reference->id, 'model' => $reference->model, 'recalls' => $recalls];
            yield from self::stated($reference->certificates, $of, $this->families->referenceKind($reference->kind));
        }
        foreach (Cells::rows($record, 'instruments') as $told) {
            $unit = $this->reader->instrument(Fields::of($told));
            yield from self::stated($unit->certificates, ['kind' => 'unit', 'of' => $unit->id, 'model' => $unit->model], null);
        }
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return \Generator<int, Row>
     */
    public function decisions(array $record): \Generator
    {
        foreach (Cells::rows($record, 'decisions') as $decision) {
            yield [
                ...array_filter($decision, \is_string(...)),
                'covers' => implode(' ', Cells::texts($decision, 'covers')),
            ];
        }
    }

    /**
     * @param list<Certificate> $certificates
     * @param Row               $of
     *
     * @return \Generator<int, Row>
     */
    private static function stated(array $certificates, array $of, ?ReferenceKind $kind): \Generator
    {
        foreach ($certificates as $certificate) {
            $alike = [
                ...$of,
                'certificate' => $certificate->number,
                'laboratory' => $certificate->laboratory,
                'issued' => $certificate->issued->format('Y-m-d'),
                'due' => $certificate->due->format('Y-m-d'),
            ];
            $lines = CertificateLines::of($certificate, $kind);
            foreach ($lines === [] ? [[]] : $lines as $line) {
                yield [...$alike, ...$line];
            }
        }
    }

    private static function recall(Recall $recall): string
    {
        return \sprintf(
            '%s%s: %s, %s',
            $recall->since->format(\DATE_ATOM),
            $recall->until === null ? '' : '/'.$recall->until->format(\DATE_ATOM),
            $recall->reason,
            $recall->error === null ? 'not known by how much' : trim('off by '.$recall->error->written.' '.($recall->unit->value ?? '')),
        );
    }
}
