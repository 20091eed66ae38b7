<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

/** What was worked out of a run under a policy, as it is kept. */
final readonly class Worked
{
    /**
     * @param string               $said   digest of what it says, which is what a person signs
     * @param array<string, mixed> $school what policies are compared by
     * @param string               $json   the whole assessment
     */
    public function __construct(public string $digest, public string $said, public array $school, public string $json)
    {
    }

    /** @return array<string, mixed> */
    public function body(): array
    {
        /** @var array<string, mixed> */
        return json_decode($this->json, true, 64, \JSON_THROW_ON_ERROR);
    }

    /** @return list<string> the checks that the bracket names */
    public function checks(): array
    {
        $checks = $this->school['checks'] ?? [];

        return array_values(array_filter(\is_array($checks) ? $checks : [], \is_string(...)));
    }

    /**
     * What assessments are compared by: verdict, reported values, findings.
     *
     * @param array<string, mixed> $body the written assessment
     *
     * @return array<string, mixed>
     */
    public static function school(array $body): array
    {
        $list = static fn (string $name): array => \is_array($body[$name] ?? null) ? array_values(array_filter($body[$name], \is_array(...))) : [];

        return [
            'policy' => $body['policy'] ?? null,
            'verdict' => $body['verdict'] ?? '',
            'headline' => $body['headline'] ?? null,
            'results' => array_map(static fn (array $result): array => ['key' => $result['key'] ?? '', 'title' => $result['title'] ?? '', 'reported' => $result['reported'] ?? '', 'shown' => \is_array($result['value'] ?? null) ? ($result['value']['shown'] ?? '') : '', 'unit' => $result['unit'] ?? ''], $list('results')),
            'findings' => array_map(static fn (array $finding): array => ['rule' => $finding['rule'] ?? '', 'title' => $finding['title'] ?? '', 'severity' => $finding['severity'] ?? '', 'limit' => $finding['limit'] ?? null], $list('findings')),
            'checks' => self::evidence($body),
        ];
    }

    /**
     * The checks that its brackets name.
     *
     * @param array<string, mixed> $body
     *
     * @return list<string>
     */
    public static function evidence(array $body): array
    {
        $list = static fn (string $name): array => \is_array($body[$name] ?? null) ? array_values(array_filter($body[$name], \is_array(...))) : [];
        $bracket = \is_array($body['bracket'] ?? null) ? $body['bracket'] : [];
        $brackets = array_map(static fn (array $channel): array => \is_array($channel['bracket'] ?? null) ? $channel['bracket'] : [], $list('channels'));
        $ends = [...array_merge(...array_map(static fn (array $one): array => [$one['pre'] ?? null, $one['post'] ?? null, ...(\is_array($one['between'] ?? null) ? $one['between'] : []), ...(\is_array($one['passedOver'] ?? null) ? $one['passedOver'] : [])], $brackets)), $bracket['pre'] ?? null, $bracket['post'] ?? null, ...(\is_array($bracket['between'] ?? null) ? $bracket['between'] : []), ...(\is_array($bracket['passedOver'] ?? null) ? $bracket['passedOver'] : [])];

        return array_values(array_unique(array_filter(array_map(static fn (mixed $end): mixed => \is_array($end) ? ($end['check'] ?? null) : null, $ends), \is_string(...))));
    }
}
