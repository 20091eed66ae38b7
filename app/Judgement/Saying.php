<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

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
        $overall = Logbook::text($body, 'verdict');
        $channels = [];
        foreach (self::rows($body, 'channels') as $channel) {
            $channels['='.Logbook::text($channel, 'channel')] = Logbook::text($channel, 'verdict');
        }
        $results = [];
        foreach (self::rows($body, 'results') as $result) {
            $value = \is_array($result['value'] ?? null) ? $result['value'] : [];
            $limits = [];
            foreach (self::rows($result, 'limits') as $limit) {
                $limits['='.Logbook::text($limit, 'id')] = [(bool) ($limit['crossed'] ?? false), Logbook::text($limit, 'robustness')];
            }
            ksort($limits);
            $results['='.Logbook::text($result, 'key')] = [
                // An earlier release gave all results of a channel, or of a run, one verdict.
                'verdict' => Logbook::text($result, 'verdict') !== ''
                    ? Logbook::text($result, 'verdict')
                    : ($channels['='.Logbook::text($result, 'channel')] ?? $overall),
                'shown' => \is_string($value['shown'] ?? null) ? $value['shown'] : '',
                'unit' => Logbook::text($result, 'unit'),
                'limits' => $limits,
            ];
        }
        ksort($results);
        $findings = array_map(
            static fn (array $finding): array => [
                Logbook::text($finding, 'rule'),
                Logbook::text($finding, 'severity'),
                Logbook::text($finding, 'channel'),
                \is_array($finding['limit'] ?? null) ? Logbook::text($finding['limit'], 'value') : '',
            ],
            self::rows($body, 'findings'),
        );
        sort($findings);
        $evidence = Worked::evidence($body);
        foreach (self::rows($body, 'figures') as $figure) {
            $origin = \is_array($figure['origin'] ?? null) ? $figure['origin'] : [];
            if (\in_array(Logbook::text($origin, 'kind'), ['certificate', 'laboratory', 'check', 'log'], true)) {
                $evidence[] = Logbook::text($origin, 'kind').' '.Logbook::text($origin, 'id');
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

    /**
     * The objects of a list of a written assessment, of this release or an earlier one; none where it has no such list.
     *
     * @param array<mixed> $of
     *
     * @return list<array<string, mixed>>
     */
    public static function rows(array $of, string $name): array
    {
        /** @var list<array<string, mixed>> */
        return \is_array($of[$name] ?? null) ? array_values(array_filter($of[$name], \is_array(...))) : [];
    }
}
