<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\Column;
use Footnote\App\Report\ResultTable;

/** A table of a package: what it is called for good, what each line of it is, its columns, and to which other tables they lead. */
enum Sheet: string
{
    case Results = 'results';
    case Limits = 'limits';
    case Findings = 'findings';
    case Brackets = 'brackets';
    case Checks = 'checks';
    case Certificates = 'certificates';
    case Decisions = 'decisions';

    public function file(): string
    {
        return $this->value.'.csv';
    }

    public function meaning(): string
    {
        return match ($this) {
            self::Results => 'A line for each result',
            self::Limits => 'A line for each limit that a result is held against',
            self::Findings => 'A line for each finding of a run',
            self::Brackets => 'A line for each check of a bracket',
            self::Checks => 'A line for each check of the units, also those that no bracket names',
            self::Certificates => 'A line for each value that a certificate states; one without a value where it states none',
            self::Decisions => 'A line for each decision of a person, here or in the logbook that a run came from',
        };
    }

    /** @return list<string> columns that no two lines have alike */
    public function key(): array
    {
        return match ($this) {
            self::Limits => ['run', 'result', 'limit'],
            self::Checks => ['check'],
            default => [],
        };
    }

    /** @return array<string, self> the table that each of these columns leads to, where it has the same name */
    public function leads(): array
    {
        return $this === self::Brackets ? ['check' => self::Checks] : [];
    }

    /** @return non-empty-list<Column> */
    public function columns(): array
    {
        return match ($this) {
            self::Results => ResultTable::columns(),
            self::Limits => [
                ...self::result(),
                Column::text('limit', 'Limit, by its name in the campaign'),
                Column::text('title', 'What the limit is'),
                Column::number('value', 'Limit'),
                Column::text('value_in', 'Unit of measure of the limit'),
                Column::text('comparator', 'How the result is held against it'),
                Column::text('stated', 'What is stated: over it or not, or that this is not known'),
                Column::text('robustness', 'Whether that holds for every value that the evidence leaves'),
                Column::text('statement', 'The same in words, with what it rests on'),
                Column::text('causes', 'What keeps it from being decided'),
                Column::text('scope', 'What the limit holds for'),
                Column::text('source', 'Where the limit is written'),
                Column::text('mark', 'How sure that source is'),
            ],
            self::Findings => [
                Column::text('run', 'Run'),
                Column::text('channel', 'Channel that it is of; empty: the whole run, or the results that are named'),
                Column::text('results', 'Results that it is of; empty: see channel'),
                Column::text('rule', 'Rule of the policy'),
                Column::text('title', 'What the rule is about'),
                Column::text('severity', 'How the policy takes it'),
                Column::text('verdict', 'What it makes of a result that it weighs on'),
                Column::text('seen', 'What was found'),
                Column::text('allowed', 'What the policy allows'),
                Column::text('source', 'Where that is written'),
                Column::text('cure', 'Evidence that would still lift it'),
                Column::text('until', 'Until when'),
            ],
            self::Brackets => [
                Column::text('run', 'Run'),
                Column::text('channel', 'Channel; empty: the whole unit'),
                Column::text('state', 'State of the bracket'),
                Column::text('place', 'Where the check stands in it: pre, between, post, or passed over'),
                Column::text('check', 'Check'),
                Column::moment('at', 'When the check was made'),
                Column::text('why', 'Why it was passed over'),
            ],
            self::Checks => [
                Column::text('check', 'Check'),
                Column::text('unit', 'Measuring unit'),
                Column::moment('at', 'When, with its offset from UTC'),
                Column::text('by', 'By whom, by code'),
                Column::text('reference', 'Reference that it was made on'),
                Column::text('references', 'References and certificates that it leans on'),
                Column::text('said', 'What was read and done'),
                Column::text('set_aside', 'Why it counts for nothing; empty: it counts'),
                Column::text('in_place_of', 'Check that it stands in the place of'),
            ],
            self::Certificates => [
                Column::text('kind', 'reference or unit'),
                Column::text('of', 'Which one'),
                Column::text('model', 'Its model'),
                Column::text('certificate', 'Number of the certificate'),
                Column::text('laboratory', 'Who issued it'),
                Column::day('issued', 'When'),
                Column::day('due', 'Last day that it holds'),
                Column::text('nominal', 'Nominal value, or what is stated beside a table'),
                Column::text('beside', 'What tells it from another of the same nominal value'),
                Column::text('certified', 'Certified value, or what is stated, as written'),
                Column::text('uncertainty', 'Its expanded uncertainty, as written'),
                Column::text('unit', 'Unit of measure; empty: it stands with the value'),
                Column::text('recalls', 'Recalls of the reference: since when, why, by how much it is off'),
            ],
            self::Decisions => [
                Column::text('run', 'Run'),
                Column::moment('at', 'When'),
                Column::text('by', 'By whom, by code'),
                Column::text('kind', 'sign, void or overrule'),
                Column::text('verdict', 'What was decided'),
                Column::text('proposed', 'What the policy proposed'),
                Column::text('reason', 'Why'),
                Column::text('policy', 'Policy that it was judged by'),
                Column::text('covers', 'Results that it covers'),
                Column::text('said', 'SHA-256 of what was said of the run then: the digest of results.csv, unless it has changed since'),
                Column::text('snapshot', 'SHA-256 of what the person saw; of a decision of this logbook that is a file of decisions/'),
                Column::text('logbook', 'Logbook that it was decided in: the hash of the first entry of its journal'),
            ],
        };
    }

    /** @return list<Column> */
    private static function result(): array
    {
        return [Column::text('run', 'Run'), Column::text('result', 'Result within the run')];
    }
}
