<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;

/** What the runs of a report come to together, gathered while their pages are made: few words of each, so that there may be many. */
final class Gathered
{
    /** @var array<string, list<array{part: string, title: string, facts: array<string, mixed>}>> by section, in the order of the pages */
    public array $outline = [];

    /** @var list<list<Line>> each result that stands and is held against a limit, or is the main one of its run */
    public array $standing = [];

    /** @var list<Line> what does not stand, and why */
    public array $fallen = [];

    /** @var array<string, Line> what is left to do, by its words */
    public array $toDo = [];

    /** @var array<string, array{unit: string, at: string, by: string, on: list<string>, runs: list<string>}> by = and the check */
    public array $checks = [];

    /** @var array<string, list<string>> moments at which checks leaned on each, by = and the reference */
    public array $references = [];

    /** @var array<string, string> in words, by = and the unit */
    public array $units = [];

    /** The last moment at which a unit was checked; empty: none was. */
    public string $until = '';

    /** @var array<string, array<string, true>> what each did, by = and the code */
    public array $people = [];

    /** @var array<string, true> by = and the day of the site */
    public array $days = [];

    /** @var array<string, true> by = and the code of who wore it or stood there */
    public array $measured = [];

    /** @var array<string, int> how many results of each title stand in it, main ones alone */
    public array $kinds = [];

    public function add(ReportedRun $run): void
    {
        $stands = $run->stands;
        $this->outline[$stands->section()->value][] = [
            'part' => $run->part(),
            'title' => $run->id().': '.$run->title(),
            'facts' => self::facts($stands),
        ];
        $this->days['='.Shown::day(Cells::text($run->record, 'start'), $run->zone)] = true;
        $person = Cells::text($run->record, 'person');
        $this->measured['='.$person] = true;
        $this->did($person, \sprintf('measured: %s', Cells::text($run->record, 'task')));
        $this->units['='.Cells::text($run->record, 'instrument')] = $run->unitWords().', '.Cells::text($run->unit, 'about');
        if ($stands->decision !== null) {
            $this->did(Cells::text($stands->decision, 'by'), 'decided results');
        }
        $title = Cells::text($run->headline(), 'title');
        if ($title !== '') {
            $this->kinds[$title] = ($this->kinds[$title] ?? 0) + 1;
        }
        $this->checked($run);
        $this->stood($run);
        $this->fell($run);
    }

    /** @return array<string, mixed> by which a later edition is held against this one */
    private static function facts(Stands $stands): array
    {
        return [
            'section' => $stands->section()->value,
            'said' => $stands->said,
            'results' => array_map(static fn (array $result): array => [
                'key' => Cells::text($result, 'key'),
                'title' => Cells::text($result, 'title').self::channel($result),
                'shown' => Cells::text(Cells::map($result, 'value'), 'shown'),
                'unit' => Cells::text($result, 'unit'),
                'verdict' => $stands->verdict($result)->value,
                'signed' => $stands->isSigned($result),
            ], Cells::rows($stands->body, 'results')),
        ];
    }

    private function did(string $code, string $what): void
    {
        $this->people['='.$code][$what] = true;
    }

    private function checked(ReportedRun $run): void
    {
        foreach ($run->checks as $check) {
            $id = Cells::text($check, 'id');
            $on = Cells::texts($check, 'leansOn');
            $at = (new \DateTimeImmutable(Cells::text($check, 'at')))->setTimezone(new \DateTimeZone('UTC'))->format(\DATE_ATOM);
            $this->until = max($this->until, $at);
            $this->checks['='.$id] ??= [
                'unit' => Cells::text($run->record, 'instrument'),
                'at' => Shown::withOffset(Cells::text($check, 'at'), $run->zone),
                'by' => Cells::text($check, 'by'),
                'on' => $on,
                'runs' => [],
            ];
            $this->checks['='.$id]['runs'][] = $run->id();
            foreach (Cells::texts($check, 'codes') as $code) {
                $this->did($code, 'checked units');
            }
            foreach ($on as $reference) {
                $this->references['='.$reference][] = Cells::text($check, 'at');
            }
        }
    }

    private function stood(ReportedRun $run): void
    {
        $first = true;
        foreach ($run->stands->standing() as $result) {
            $limits = Cells::rows($result, 'limits');
            if ($limits === [] && Cells::text($result, 'key') !== Cells::text($run->headline(), 'key')) {
                continue;
            }
            $value = Cells::map($result, 'value');
            $this->standing[] = [
                Line::of($first ? \sprintf('%s, %s ', $run->title(), Shown::day(Cells::text($run->record, 'start'), $run->zone)) : '')
                    ->soft($run->id()),
                Line::of()->named(Cells::text($result, 'title').self::channel($result)),
                Line::of()->strong(Shown::minus(Cells::text($value, 'shown')))->text(rtrim(' '.Cells::text($result, 'unit'))),
                Line::of($limits === [] ? 'no limit is set' : implode('; ', array_map(self::against(...), $limits))),
                $run->stands->told($result),
            ];
            $first = false;
        }
    }

    /**
     * The limit in words that need no other knowledge.
     *
     * @param array<string, mixed> $limit
     */
    private static function against(array $limit): string
    {
        $words = ResultNumbers::against($limit);
        $causes = Cells::texts($limit, 'causes');

        return $causes === [] ? $words : \sprintf('%s (%s)', $words, implode('; ', $causes));
    }

    /** @param array<string, mixed> $result */
    private static function channel(array $result): string
    {
        $channel = Cells::text($result, 'channel');

        return $channel === '' ? '' : ', '.$channel;
    }

    /** What does not stand: the run as a whole, or each of its results that does not. */
    private function fell(ReportedRun $run): void
    {
        $stands = $run->stands;
        $whose = Line::of()->strong($run->id())->text(\sprintf(', %s, %s: ', $run->title(), $run->when()));
        $section = $stands->section();
        if ($section !== Section::Standing) {
            $this->fallen[] = $section === Section::Void
                ? $whose->verdict('void')->text('. '.self::why($run, Verdict::Void))
                : $whose->text(self::notSigned($stands));
        } else {
            foreach (Cells::rows($stands->body, 'results') as $result) {
                $what = $whose->named(Cells::text($result, 'title').self::channel($result))->text(' ');
                if (!$stands->isSigned($result)) {
                    $this->fallen[] = $what->text('is not signed; proposed ')->verdict($stands->verdict($result)->value)->text('.');
                } elseif ($stands->verdict($result) === Verdict::Void) {
                    $this->fallen[] = $what->text('is ')->verdict('void')->text('.');
                }
            }
        }
        foreach (Cells::rows($stands->body, 'findings') as $finding) {
            $cure = Cells::map($finding, 'cure');
            if ($cure !== [] && $section === Section::NotSigned) {
                $this->doIt($run, \sprintf('%s, %s', Cells::text($cure, 'evidence'), Cells::text($cure, 'until')));
            }
        }
        if (!$stands->isDecided()) {
            $this->doIt($run, $stands->decision === null
                ? 'A person who may sign looks at it and decides'
                : 'A person who may sign looks at what has changed, and decides again');
        }
    }

    private function doIt(ReportedRun $run, string $what): void
    {
        $known = $this->toDo[$what] ?? Line::of()->strong($what)->text(': ');
        $this->toDo[$what] = $known->text(isset($this->toDo[$what]) ? ', '.$run->id() : $run->id());
    }

    private static function notSigned(Stands $stands): string
    {
        $why = self::weighing($stands->body);

        return match (true) {
            $stands->decision === null => 'nobody has decided it',
            $stands->before !== null => 'it was decided, and has changed since',
            default => 'what stands of it waits for a decision',
        }.\sprintf('; proposed %s.%s', Cells::text($stands->body, 'verdict'), $why === '' ? '' : ' '.$why);
    }

    /** The person's reason, else what weighs on it. */
    private static function why(ReportedRun $run, Verdict $verdict): string
    {
        $reason = Cells::text($run->stands->decision ?? [], 'reason');

        return $reason === '' ? self::weighing($run->stands->body, $verdict) : '“'.$reason.'”';
    }

    /**
     * The findings that weigh most, in words.
     *
     * @param array<string, mixed> $body
     * @param Verdict|null         $as   those alone
     */
    private static function weighing(array $body, ?Verdict $as = null): string
    {
        $told = [];
        foreach (Cells::rows($body, 'findings') as $finding) {
            $verdict = Cells::text($finding, 'verdict');
            if ($as === null ? \in_array($verdict, [Verdict::Void->value, Verdict::Open->value, Verdict::Qualified->value], true)
                : $verdict === $as->value) {
                $told[] = Cells::text($finding, 'title').': '.Shown::sentence(Cells::text($finding, 'seen'));
            }
        }

        return implode(' ', array_unique($told));
    }
}
