<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\Column;

/**
 * Tables as one spreadsheet (published: Open Document Format for Office Applications, ISO/IEC 26300): a sheet each, numbers as numbers,
 * all else as text, so that nothing is turned into a day or a formula on the way.
 */
final readonly class OpenDocument
{
    private const TYPE = 'application/vnd.oasis.opendocument.spreadsheet';
    private const NAMES = [
        'office' => 'urn:oasis:names:tc:opendocument:xmlns:office:1.0',
        'table' => 'urn:oasis:names:tc:opendocument:xmlns:table:1.0',
        'text' => 'urn:oasis:names:tc:opendocument:xmlns:text:1.0',
        'style' => 'urn:oasis:names:tc:opendocument:xmlns:style:1.0',
        'fo' => 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0',
    ];
    /** Rows that are held in memory before they are laid down. */
    private const AT_ONCE = 500;

    /**
     * @param array<string, string> $sheets path of each table as CSV, by its name
     */
    public function write(string $path, array $sheets): void
    {
        // Its content lies beside until it is packed.
        $beside = $path.'.xml';
        $this->content($beside, $sheets);
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException('The spreadsheet could not be begun at '.$path);
        }
        // By this name, first and as it is, others know what it is.
        $zip->addFromString('mimetype', self::TYPE);
        $zip->setCompressionName('mimetype', \ZipArchive::CM_STORE);
        $zip->addFile($beside, 'content.xml');
        $zip->addFromString('META-INF/manifest.xml', \sprintf(
            '<?xml version="1.0" encoding="UTF-8"?>'."\n"
                .'<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.2">'
                .'<manifest:file-entry manifest:full-path="/" manifest:version="1.2" manifest:media-type="%s"/>'
                .'<manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>',
            self::TYPE,
        ));
        $isLaid = $zip->close();
        unlink($beside);
        if (!$isLaid) {
            throw new \RuntimeException('The spreadsheet could not be laid down: '.$zip->getStatusString());
        }
    }

    /** @param array<string, string> $sheets */
    private function content(string $path, array $sheets): void
    {
        $xml = new \XMLWriter();
        if (!$xml->openUri($path)) {
            throw new \RuntimeException('The spreadsheet could not be begun at '.$path);
        }
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('office:document-content');
        foreach (self::NAMES as $name => $address) {
            $xml->writeAttribute('xmlns:'.$name, $address);
        }
        $xml->writeAttribute('office:version', '1.2');
        $xml->writeRaw('<office:automatic-styles><style:style style:name="head" style:family="table-cell">'
            .'<style:text-properties fo:font-weight="bold"/></style:style></office:automatic-styles>');
        $xml->startElement('office:body');
        $xml->startElement('office:spreadsheet');
        foreach ($sheets as $name => $table) {
            $this->sheet($xml, Sheet::from($name), $table);
        }
        $xml->endDocument();
        $xml->flush();
    }

    private function sheet(\XMLWriter $xml, Sheet $sheet, string $path): void
    {
        $columns = $sheet->columns();
        $xml->startElement('table:table');
        $xml->writeAttribute('table:name', $sheet->value);
        $xml->startElement('table:table-column');
        $xml->writeAttribute('table:number-columns-repeated', (string) \count($columns));
        $xml->endElement();
        $file = new \SplFileObject($path);
        for ($line = 0; ($cells = $file->fgetcsv(',', '"', '')) !== false && $cells !== [null]; ++$line) {
            $xml->startElement('table:table-row');
            foreach ($columns as $place => $column) {
                $this->cell($xml, $column, $cells[$place] ?? '', $line === 0);
            }
            $xml->endElement();
            if ($line % self::AT_ONCE === 0) {
                $xml->flush();
            }
        }
        $xml->endElement();
    }

    private function cell(\XMLWriter $xml, Column $column, string $cell, bool $isHead): void
    {
        $xml->startElement('table:table-cell');
        if ($isHead) {
            $xml->writeAttribute('table:style-name', 'head');
        }
        if (!$isHead && $column->type === Column::NUMBER && is_numeric($cell)) {
            $xml->writeAttribute('office:value-type', 'float');
            $xml->writeAttribute('office:value', $cell);
        } elseif ($cell !== '') {
            $xml->writeAttribute('office:value-type', 'string');
        }
        if ($cell !== '') {
            $xml->writeElement('text:p', self::plain($cell));
        }
        $xml->endElement();
    }

    /** Without the apostrophe that keeps a text of a CSV from being a formula, and without what XML has no sign for. */
    private static function plain(string $cell): string
    {
        $cell = preg_replace("/^'(?=[=+\\-@\\t\\r])/", '', $cell) ?? $cell;

        return preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', "\u{FFFD}", $cell) ?? $cell;
    }
}
