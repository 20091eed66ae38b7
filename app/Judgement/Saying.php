<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

/**
 * What an assessment says: the verdict of each result, values as they are shown with their unit, statements about limits,
 * findings, and the evidence by its identifiers. Not its texts, their order, or symbols, which a release may write anew.
 *
 * @phpstan-type Said array{verdict: string, results: array<string, array<string, mixed>>, findings: list<list<string>>, evidence: list<string>}
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
        $overall = self::text($body, 'verdict');
        $channels = [];
        foreach (self::rows($body, 'channels') as $channel) {
            $channels['='.self::text($channel, 'channel')] = self::text($channel, 'verdict');
        }
        $results = [];
        foreach (self::rows($body, 'results') as $result) {
            $value = \is_array($result['value'] ?? null) ? $result['value'] : [];
            $limits = [];
            foreach (self::rows($result, 'limits') as $limit) {
                $limits['='.self::text($limit, 'id')] = [(bool) ($limit['crossed'] ?? false), self::text($limit, 'robustness')];
            }
            ksort($limits);
            $results['='.self::text($result, 'key')] = [
                // An earlier release gave all results of a channel, or of a run, one verdict.
                'verdict' => self::text($result, 'verdict') !== '' ? self::text($result, 'verdict') : ($channels['='.self::text($result, 'channel')] ?? $overall),
                'shown' => \is_string($value['shown'] ?? null) ? $value['shown'] : '',
                'unit' => self::text($result, 'unit'),
                'limits' => $limits,
            ];
        }
        ksort($results);
        $findings = array_map(static fn (array $finding): array => [self::text($finding, 'rule'), self::text($finding, 'severity'), self::text($finding, 'channel'), \is_array($finding['limit'] ?? null) ? self::text($finding['limit'], 'value') : ''], self::rows($body, 'findings'));
        sort($findings);
        $evidence = Worked::evidence($body);
        foreach (self::rows($body, 'figures') as $figure) {
            $origin = \is_array($figure['origin'] ?? null) ? $figure['origin'] : [];
            if (\in_array(self::text($origin, 'kind'), ['certificate', 'laboratory', 'check', 'log'], true)) {
                $evidence[] = self::text($origin, 'kind').' '.self::text($origin, 'id');
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
     * @param array<mixed> $of
     *
     * @return list<array<string, mixed>>
     */
    private static function rows(array $of, string $name): array
    {
        /** @var list<array<string, mixed>> */
        return \is_array($of[$name] ?? null) ? array_values(array_filter($of[$name], \is_array(...))) : [];
    }

    /** @param array<mixed> $of */
    private static function text(array $of, string $name): string
    {
        return \is_scalar($of[$name] ?? null) ? (string) $of[$name] : '';
    }
}
