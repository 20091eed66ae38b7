<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;

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
        return [
            'policy' => $body['policy'] ?? null,
            'verdict' => $body['verdict'] ?? '',
            'headline' => $body['headline'] ?? null,
            'results' => array_map(
                static fn (array $result): array => [
                    'key' => $result['key'] ?? '',
                    'title' => $result['title'] ?? '',
                    'reported' => $result['reported'] ?? '',
                    'shown' => \is_array($result['value'] ?? null) ? ($result['value']['shown'] ?? '') : '',
                    'unit' => $result['unit'] ?? '',
                ],
                Cells::rows($body, 'results'),
            ),
            'findings' => array_map(
                static fn (array $finding): array => [
                    'rule' => $finding['rule'] ?? '',
                    'title' => $finding['title'] ?? '',
                    'severity' => $finding['severity'] ?? '',
                    'limit' => $finding['limit'] ?? null,
                ],
                Cells::rows($body, 'findings'),
            ),
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
        $brackets = [
            ...array_map(static fn (array $channel): mixed => $channel['bracket'] ?? null, Cells::rows($body, 'channels')),
            $body['bracket'] ?? null,
        ];
        $ends = [];
        foreach (array_filter($brackets, \is_array(...)) as $one) {
            array_push(
                $ends,
                $one['pre'] ?? null,
                $one['post'] ?? null,
                ...Cells::rows($one, 'between'),
                ...Cells::rows($one, 'passedOver'),
            );
        }

        return array_values(
            array_unique(
                array_filter(
                    array_map(static fn (mixed $end): mixed => \is_array($end) ? ($end['check'] ?? null) : null, $ends),
                    \is_string(...),
                ),
            ),
        );
    }
}
