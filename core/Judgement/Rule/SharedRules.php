<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Rule;

/** The rules that hold for every family: bracket, reference, procedure, run, clock, robustness. */
final class SharedRules
{
    /** Titles of their groups, by what their identifiers begin with. */
    public const GROUPS = [
        'bracket' => 'Bracket',
        'reference' => 'Reference',
        'procedure' => 'Procedure',
        'run' => 'Run',
        'unit' => 'Unit',
        'shift' => 'Shift',
        'clock' => 'Clock',
        'log' => 'Logs',
        'removed' => 'Taken out, filled in, assumed',
        'judgement' => 'Judgement',
    ];

    /** @return list<Rule> */
    public static function all(): array
    {
        return [
            new NoPreCheck(),
            new PreCheckOld(),
            new NoPostCheck(),
            new LatePostCheck(),
            new AsLeftNotRead(),
            new DifferentReference(),
            new BrokenBracket(),
            new UnitFailed(),
            new CheckPassedOver(),
            new CheckCorrected(),
            new CorrectionDecides(),
            new AnotherRunBetween(),
            new CheckWhileRunning(),
            new UnitCertificateExpired(),
            new UnitRecalled(),
            new CheckedWhileWrong(),
            new LaboratoryDue(),
            new LaboratoryNever(),
            new CertificateMissing(),
            new CertificateExpired(),
            new KitCorrected(),
            new ReferenceDue(),
            new ReferenceRecalled(),
            new StepNotConfirmed(),
            new WarmUpTooShort(),
            new OwnValueUnusual(),
            new OrderWrong(),
            new OverlappingRun(),
            new ShortRun(),
            new WentOutUnfit(),
            new RunCorrected(),
            new DayUnsampled(),
            new ShiftPause(),
            new ParallelRuns(),
            new RemarkMade('run.remark', false),
            new RemarkMade('run.worn-wrongly', true),
            new ClockOffset('clock.offset', 'clock.doubtful'),
            new ClockOffset('clock.doubtful', null),
            new ClockNotNoted(),
            new RepresentativeSegment(),
            new LogWhose(),
            new AlterationMade('removed.recorded', [AlterationKind::Recorded]),
            new AlterationMade('removed.by-person', [AlterationKind::Person]),
            new AlterationMade('removed.offered', [AlterationKind::Offered]),
            new AlterationMade('removed.left-in', [AlterationKind::LeftIn]),
            new AlterationMade('removed.not-applied', [AlterationKind::NotApplied]),
            new AnswerCorrected(),
            new Undecided(),
        ];
    }
}
