<?php

declare(strict_types=1);

namespace Footnote\App\Http\Journal;

/** What an entry says, as the rest of a sentence that begins with who did it. */
final class JournalSentences
{
    /** By kind; a word in braces is told by the entry. */
    private const SAID = [
        'signed in' => 'signed in as {person} from {from}',
        'signed out' => 'signed out',
        'signed out everywhere' => 'ended every session of {person}',
        'sign-in refused' => 'was refused as {person} from {from}',
        'person added' => 'let {person} in as {roles}, code {code}',
        'roles changed' => 'changed what {person} may do: {roles}',
        'access ended' => 'ended the access of {person}',
        'one-time code made' => 'made a one-time code for {person}',
        'password chosen' => 'chose a password for {person}, by {by}',
        'clock went back' => 'noticed that the clock went back from {from} to {to}',
        'evidence sealed' => 'sealed the evidence that was there before rows were bound',
        'release followed' => 'went on with another release of the application',
        'record imported' => 'took in {file}: {instruments} instruments, {references} references, {checks} checks, {runs} runs',
        'instrument registered' => 'registered {id}, {model}',
        'reference registered' => 'registered the reference {id}, {model}',
        'certificate added' => 'added certificate {number} of {laboratory} to {of}',
        'kit corrected' => 'corrected what the kit says of {of}',
        'certificate corrected' => 'corrected certificate {number} of {of}',
        'certificate withdrawn' => 'withdrew certificate {number} of {of}',
        'interval set' => 'set an interval for {of}: {routine} every {every} {unit}, from {since} on',
        'reference recalled' => 'recalled {reference} since {since}',
        'recall taken back' => 'took a recall of {reference} back: {reason}',
        'instrument recalled' => 'recalled {instrument} since {since}',
        'recall of instrument taken back' => 'took a recall of {instrument} back: {reason}',
        'retired' => 'took {of} out of use',
        'taken back' => 'took {of} back into use',
        'library entry added' => 'added {code}, {name}, to the library {shelf}',
        'check begun' => 'began a check of {instrument}',
        'round begun' => 'began a round of checks of {instrument}',
        'round set up' => 'chose {reference} for a round of checks of {instrument}',
        'check brought' => 'brought a check of {instrument} that was made without a network',
        'check recorded' => 'accepted a check of {instrument}',
        'check broken off' => 'broke off a check of {instrument}',
        'check put away' => 'put away a check of {instrument} that held nothing',
        'check set aside' => 'set check {check} aside',
        'check corrected' => 'corrected check {check} of {instrument}',
        'check moved' => 'moved check {check} from {from} to {instrument}',
        'lines kept' => 'took readings of {instrument} from lines that were printed',
        'file kept' => 'added {name} to {of}',
        'intervention' => 'noted of {instrument}: {kind}',
        'sheet copied' => 'copied a run of {instrument} with its checks from a sheet of paper',
        'run started' => 'started a run of {instrument} for {person}, {task}',
        'run learned' => 'noted more of run {run}',
        'run withdrawn' => 'withdrew run {run}',
        'log read' => 'read the log {name} into run {run}',
        'result signed' => 'signed the result of {run}',
        'result voided' => 'voided the result of {run}',
        'result overruled' => 'overruled the verdict of {run}: {verdict}',
        'report drafted' => 'began a report of campaign {campaign} for {askedBy}: {title}',
        'report asked otherwise' => 'asked report {report} to be otherwise',
        'report remarked on' => 'remarked on report {report}: {text}',
        'remark settled' => 'settled a remark on report {report}: {text}',
        'report issued' => 'signed and issued edition {edition} of report {report}',
        'report printed' => 'printed edition {edition} of report {report} on {paper}, {pages} pages',
        'report text written' => 'wrote the text “{name}” of reports anew',
        'laboratory report' => 'took in report {number} of {laboratory}',
        'laboratory said' => 'wrote down what the laboratory said of report {report}',
        'blank kept' => 'registered the blank {medium}',
        'policy added' => 'added the policy {id}, based on {basedOn}',
        'policies taken over' => 'took over the policies that come with Footnote',
        'source confirmed' => 'confirmed a source: {source}, {edition}, {clause}',
        'kit word' => 'said of {of} where it is and what belongs to it',
        'references registered' => 'registered several references, from {from}',
        'instruments registered' => 'registered several instruments, from {from}',
        'day planned' => 'planned {day}: {measurements} measurements',
        'calendar address made' => 'made an address for the calendar “{title}”',
        'calendar address ended' => 'ended the address of the calendar “{title}” of {person}',
        'campaign added' => 'opened the campaign {title}',
        'campaign measures against' => 'changed what campaign {campaign} measures against',
        'campaign judged by another policy' => 'had campaign {campaign} judged by {policy}',
    ];

    public static function knows(string $kind): bool
    {
        return isset(self::SAID[$kind]);
    }

    /** @param array<string, mixed> $payload */
    public static function of(string $actor, string $kind, array $payload): string
    {
        $who = match ($actor) {
            'footnote' => 'The application',
            'console' => 'Somebody on the console',
            'nobody' => 'Somebody',
            default => $actor,
        };
        $said = preg_replace_callback(
            '/\{(\w+)\}/',
            static fn (array $word): string => self::word($payload[$word[1]] ?? null),
            self::SAID[$kind] ?? $kind,
        );
        $reason = $payload['reason'] ?? null;

        return $who.' '.$said.(\is_string($reason) && $reason !== '' ? ': '.rtrim($reason, '.') : '').'.';
    }

    private static function word(mixed $told): string
    {
        return match (true) {
            \is_string($told) && $told !== '', \is_int($told), \is_float($told) => (string) $told,
            default => '?',
        };
    }
}
