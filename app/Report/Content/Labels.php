<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** Every heading and label of a report, in one place. */
final class Labels
{
    public const REPORT = 'Report of measurements';
    public const DRAFT = 'Draft: not signed, not issued';

    public const SUMMARY = 'Summary';
    public const STANDING = 'Results that stand';
    public const VOID = 'Void results';
    public const NOT_SIGNED = 'Results that are not signed';
    public const CHANGES = 'What changed since the edition before';
    public const CHANGED = 'What changed since edition %d';
    public const EVIDENCE = 'What the results rest on';
    public const CAUTIONS = 'Cautions and limits of use';

    public const ASKED = 'Asked for by';
    public const WHERE = 'Where';
    public const WHEN = 'Measured';
    public const BY = 'Made by';
    public const CAMPAIGN = 'Campaign';
    public const COVERS = 'Covers';
    public const JUDGED_BY = 'Judged by';
    public const LIMITS = 'Limits';
    public const NUMBER = 'Number';
    public const ISSUED = 'Issued';
    public const SIGNED = 'Signed by';
    public const DIGEST = 'Digest of its contents';
    public const STANDING_AT = 'Whether it still stands';

    public const MEASURED = 'What was measured';
    public const AGAINST = 'What stands, against which limit';
    public const DOES_NOT_STAND = 'What does not stand, and why';
    public const LEFT_TO_DO = 'What is left to do';

    public const CORRECTED_RESULTS = 'Corrected results';
    public const REMOVED = 'Removed, filled in, assumed';
    public const AGAINST_LIMITS = 'Against limits';
    public const DRIFT = 'Drift and evidence';
    public const FINDINGS = 'Findings';
    public const SAVES = 'What can still save it';
    public const SET_UP = 'Set-up';
    public const POLICIES = 'By other policies';
    public const WORKINGS = 'What the notes rest on';

    public const REFERENCES = 'References and their certificates';
    public const UNITS = 'Measuring units';
    public const TRENDS = 'How the measuring units go on';
    public const TRENDS_UNTIL = 'By all their checks up to %s, the last one that a result here rests on. Advice: no verdict rests on it.';
    public const CHECKS = 'Checks';
    public const PEOPLE = 'People, by code';

    public const SERIAL = 'serial number';
    public const NO_SERIAL = 'no serial number on record';
    public const NO_NUMBER = 'No number yet';
    public const NOT_DECIDED = 'not signed';

    /** Under the table of answers. */
    public const ANSWERS = 'Underlined: the answer that %s reports. Drift interval: the smallest and largest by every check of the bracket;'
        .' it is about drift only.';
}
