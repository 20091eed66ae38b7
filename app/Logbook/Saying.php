<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;

/**
 * What an assessment says: the verdict of each result, values as they are shown with their unit, statements about limits,
 * findings, and the evidence by its identifiers. Not its texts, their order, or symbols, which a release may write anew.
 *
 * @phpstan-type Said array{
 *     verdict: string,
 *     results: array<string, array<string, mixed>>,
 *     findings: list<list<string>>,
 *     evidence: list<string>,
 * }
 */
final class Saying
{
    /**
     * @param array<string, mixed> $body the written assessment, of this release or an earlier one
     *
     * @return Said
     */
    public static function of(array $body): array
    {
        $overall = Cells::text($body, 'verdict');
        $channels = [];
        foreach (Cells::rows($body, 'channels') as $channel) {
            $channels['='.Cells::text($channel, 'channel')] = Cells::text($channel, 'verdict');
        }
        $results = [];
        foreach (Cells::rows($body, 'results') as $result) {
            $value = \is_array($result['value'] ?? null) ? $result['value'] : [];
            $limits = [];
            foreach (Cells::rows($result, 'limits') as $limit) {
                $limits['='.Cells::text($limit, 'id')] = [(bool) ($limit['crossed'] ?? false), Cells::text($limit, 'robustness')];
            }
            ksort($limits);
            $results['='.Cells::text($result, 'key')] = [
                // An earlier release gave all results of a channel, or of a run, one verdict.
                'verdict' => Cells::text($result, 'verdict') !== ''
                    ? Cells::text($result, 'verdict')
                    : ($channels['='.Cells::text($result, 'channel')] ?? $overall),
                'shown' => \is_string($value['shown'] ?? null) ? $value['shown'] : '',
                'unit' => Cells::text($result, 'unit'),
                'limits' => $limits,
            ];
        }
        ksort($results);
        $findings = array_map(
            static fn (array $finding): array => [
                Cells::text($finding, 'rule'),
                Cells::text($finding, 'severity'),
                Cells::text($finding, 'channel'),
                \is_array($finding['limit'] ?? null) ? Cells::text($finding['limit'], 'value') : '',
            ],
            Cells::rows($body, 'findings'),
        );
        sort($findings);
        $evidence = Worked::evidence($body);
        foreach (Cells::rows($body, 'figures') as $figure) {
            $origin = \is_array($figure['origin'] ?? null) ? $figure['origin'] : [];
            if (\in_array(Cells::text($origin, 'kind'), ['certificate', 'laboratory', 'check', 'log'], true)) {
                $evidence[] = Cells::text($origin, 'kind').' '.Cells::text($origin, 'id');
            }
        }
        $evidence = array_values(array_unique($evidence));
        sort($evidence);

        return ['verdict' => $overall, 'results' => $results, 'findings' => $findings, 'evidence' => $evidence];
    }

    /** @param Said $said */
    public static function digest(array $said): string
    {
        return hash('sha256', json_encode($said, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));
    }
}
