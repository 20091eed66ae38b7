<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Storage\Cells;

/** Results as a table, a line for each: its own numbers, its own verdict, and what it leans on. */
final class ResultTable
{
    public const FILE = 'results.csv';

    /** @return non-empty-list<Column> names stand for good: who reads the table relies on them */
    public static function columns(): array
    {
        return [
            Column::text('run', 'Run that the result is of'),
            Column::text('result', 'Result within the run; empty: the run has none yet'),
            Column::text('title', 'What the result is'),
            Column::text('channel', 'Channel or substance that it belongs to'),
            Column::text('campaign', 'Campaign'),
            Column::text('unit', 'Measuring unit'),
            Column::text('model', 'Its model'),
            Column::text('serial', 'Its serial number'),
            Column::text('person', 'Who wore it, by code'),
            Column::text('task', 'Task'),
            Column::text('place', 'Place'),
            Column::moment('started', 'Begin of the run, with its offset from UTC'),
            Column::moment('stopped', 'End of the run; empty: it runs'),
            Column::text('reported', 'Which answer the value is: indicated, pre, post, between, cautious'),
            Column::number('value', 'Reported value, unrounded'),
            Column::text('value_bound', 'Where the value is a bound: at most, at least; empty: it is the value'),
            Column::text('value_shown', 'The value as it is shown, rounded'),
            Column::text('value_in', 'Unit of measure of the value, of the other answers, of lowest, highest and uncertainty'),
            Column::number('indicated', 'Answer without any correction'),
            Column::number('pre', 'Answer by the check before'),
            Column::number('post', 'Answer by the check after'),
            Column::number('interpolated', 'Answer along the line between both checks'),
            Column::number('lowest', 'Least value that the evidence leaves'),
            Column::number('highest', 'Largest value that the evidence leaves'),
            Column::number('uncertainty', 'Expanded uncertainty, where one is stated'),
            Column::number('drift', 'Largest drift that the result rests on, signed'),
            Column::text('drift_in', 'Unit of measure of the drift'),
            Column::text('verdict', 'Verdict proposed for this result alone'),
            Column::text('decided', 'What a person decided of this result; empty: nobody did; "withdrawn": the run was begun in error'),
            Column::text('decided_by', 'Who decided, by code'),
            Column::moment('decided_at', 'When'),
            Column::text('decided_reason', 'Why'),
            Column::text('decided_on', 'Whether the decision saw what stands here: "this", or "other evidence" where it has changed since'),
            Column::text('limits', 'Each limit with what is stated of it and how firmly'),
            Column::text('findings', 'Each finding that weighs on the result, with its severity'),
            Column::text('bracket', 'State of its bracket'),
            Column::text('checks', 'Checks of its bracket'),
            Column::text('references', 'References that these checks lean on'),
            Column::text('policy', 'Policy that it is judged by, with its version'),
            Column::text('digest', 'SHA-256 of what is said of the run'),
        ];
    }

    /**
     * @param array<string, mixed>  $body  the written assessment of a run
     * @param array<string, string> $alike what stands in each of its lines, by column
     * @param Decided|null          $decided the last decision of the run
     * @param Leaning               $leaning on which references checks lean
     *
     * @return non-empty-list<array<string, string>> by column; one without a result where the run has none
     */
    public static function lines(array $body, array $alike, ?Decided $decided, Leaning $leaning): array
    {
        $figures = array_column(Cells::rows($body, 'figures'), null, 'id');
        $policy = \is_array($body['policy'] ?? null) ? $body['policy'] : [];
        $alike['policy'] = trim(Cells::text($policy, 'id').' '.Cells::text($policy, 'version'));
        $findings = Cells::rows($body, 'findings');
        $lines = [];
        foreach (Cells::rows($body, 'results') as $result) {
            $weighing = \is_array($result['findings'] ?? null) ? $result['findings'] : [];
            $lines[] = [
                ...$alike,
                ...self::numbers($result, $figures),
                ...($decided?->of(Cells::text($result, 'key')) ?? []),
                ...$leaning->of(self::bracket($body, Cells::text($result, 'channel'))),
                'verdict' => Cells::text($result, 'verdict'),
                'limits' => implode(CsvSheet::NEXT, array_map(self::limit(...), Cells::rows($result, 'limits'))),
                'findings' => self::found(array_values(array_intersect_key($findings, array_flip(array_filter($weighing, \is_int(...)))))),
            ];
        }

        return $lines === [] ? [[
            ...$alike,
            ...($decided?->of('') ?? []),
            ...$leaning->of(self::bracket($body, '')),
            'verdict' => Cells::text($body, 'verdict'),
            'findings' => self::found($findings),
        ]] : $lines;
    }

    /**
     * @param array<string, mixed>                  $result
     * @param array<array-key, array<string, mixed>> $figures by their names on the sheet
     *
     * @return array<string, string>
     */
    private static function numbers(array $result, array $figures): array
    {
        $figure = static function (string $name) use ($result, $figures): array {
            $told = $result[$name] ?? null;
            $id = \is_array($told) ? $told['figure'] ?? null : $told;

            return \is_string($id) ? $figures[$id] ?? [] : [];
        };
        $number = static fn (string $name): string => Cells::text($figure($name), 'value');
        $value = \is_array($result['value'] ?? null) ? $result['value'] : [];

        return [
            'result' => Cells::text($result, 'key'),
            'title' => Cells::text($result, 'title'),
            'channel' => Cells::text($result, 'channel'),
            'reported' => Cells::text($result, 'reported'),
            'value' => $number('value'),
            'value_bound' => Cells::text($figure('value'), 'bound'),
            'value_shown' => Cells::text($value, 'shown'),
            'value_in' => Cells::text($result, 'unit'),
            'indicated' => $number('indicated'),
            'pre' => $number('pre'),
            'post' => $number('post'),
            'interpolated' => $number('between'),
            'lowest' => $number('lowest'),
            'highest' => $number('highest'),
            'uncertainty' => $number('uncertainty'),
            'drift' => $number('drift'),
            'drift_in' => Cells::text($figure('drift'), 'unit'),
        ];
    }

    /** @param array<string, mixed> $limit */
    private static function limit(array $limit): string
    {
        return \sprintf('%s: %s', Cells::text($limit, 'title'), Cells::text($limit, 'statement'));
    }

    /** @param list<array<string, mixed>> $findings */
    private static function found(array $findings): string
    {
        return implode(CsvSheet::NEXT, array_map(
            static fn (array $one): string => \sprintf(
                '%s, %s: %s',
                Cells::text($one, 'severity'),
                Cells::text($one, 'rule'),
                Cells::text($one, 'seen'),
            ),
            $findings,
        ));
    }

    /**
     * The bracket of a channel; of a run whose channels have none of their own, that of the run.
     *
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private static function bracket(array $body, string $channel): array
    {
        foreach (Cells::rows($body, 'channels') as $one) {
            if ($channel !== '' && Cells::text($one, 'channel') === $channel && \is_array($one['bracket'] ?? null)) {
                /** @var array<string, mixed> */
                return $one['bracket'];
            }
        }
        /** @var array<string, mixed> $bracket */
        $bracket = \is_array($body['bracket'] ?? null) ? $body['bracket'] : [];

        return $bracket;
    }
}
