<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Logbook\Ledger;

/**
 * The ledger as CSV, without what is practice. Text that a spreadsheet could take for a formula is led by an apostrophe.
 *
 * @phpstan-import-type LedgerRow from Ledger
 */
final class LedgerSheet
{
    /**
     * @param list<LedgerRow>             $rows
     * @param list<array<string, string>> $withdrawn runs that were begun in error
     */
    public static function csv(array $rows, array $withdrawn = []): string
    {
        $file = fopen('php://temp', 'w+');
        if ($file === false) {
            throw new \RuntimeException('No temporary stream could be opened.');
        }
        $put = static fn (array $cells) => fputcsv(
            $file,
            array_map(static fn (mixed $cell): string => self::plain(\is_scalar($cell) ? (string) $cell : ''), $cells),
            ',',
            '"',
            '',
        );
        $put([
            'run', 'unit', 'person', 'task', 'place', 'start', 'stop', 'result', 'value', 'unit of value',
            'drift', 'unit of drift', 'proposed for this result', 'decided', 'by', 'reason',
        ]);
        foreach ($rows as $row) {
            if ($row['practice']) {
                continue;
            }
            $results = $row['results'] === []
                ? [['key' => '', 'title' => '', 'shown' => '', 'unit' => '', 'verdict' => $row['verdict'], 'drift' => $row['drift']]]
                : $row['results'];
            foreach ($results as $result) {
                // A decision stands for the results that it covered.
                $decision = $row['decision'] !== null
                    && ($row['decision']['covers'] === [] || \in_array($result['key'], $row['decision']['covers'], true))
                    ? $row['decision']
                    : null;
                $put([
                    $row['run'], $row['instrument'], $row['person'], $row['task'], $row['place'],
                    $row['start'], $row['stop'], $result['title'], $result['shown'], $result['unit'],
                    $result['drift']['shown'] ?? '', $result['drift']['unit'] ?? '', $result['verdict'],
                    $decision['verdict'] ?? '', $decision['by'] ?? '', $decision['reason'] ?? '',
                ]);
            }
        }
        foreach ($withdrawn as $run) {
            $put([
                $run['run'], $run['instrument'], $run['person'], $run['task'], '', $run['start'], '', '', '', '', '', '', '',
                'withdrawn', $run['by'], $run['reason'],
            ]);
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    private static function plain(string $cell): string
    {
        return preg_match('/^[=+\-@\t\r]/', $cell) === 1 && preg_match('/^[+-]?\d+(\.\d+)?$/D', $cell) !== 1 ? "'".$cell : $cell;
    }
}
