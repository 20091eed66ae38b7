<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Why a run could not be stood up for today, in the order in which somebody sees to it. */
enum Unsettled: string
{
    /** Evidence would still lift it, and something that happens next may end that. */
    case Pressing = 'pressing';

    /** A person decided, and the evidence says otherwise now. */
    case SaysOtherwise = 'says otherwise';

    /** Evidence would still lift it, at any time. */
    case Curable = 'curable';

    /** Nothing lifts it; nobody has said so yet. */
    case Lost = 'lost';

    /** It stands with what is said of it, and nothing lifts that; nobody has signed it so yet. */
    case Qualified = 'qualified';

    /**
     * @param list<Verdict> $parts     what the run, and each of its channels and results, stands as: a run stands where one of its channels
     *                                 is void, and that channel does not
     * @param bool|null     $isCurrent whether the last decision says what the evidence says now; null: nobody has decided
     * @param list<Cure>    $cures     of the findings that weigh on it
     *
     * @return self|null null where all of it stands, or a person has settled it: a decision is theirs, whatever would still lift it.
     *                   What is open waits whatever was decided: nobody signs that
     */
    public static function of(array $parts, ?bool $isCurrent, array $cures): ?self
    {
        if ($isCurrent === false) {
            return self::SaysOtherwise;
        }
        $doubtful = array_filter($parts, static fn (Verdict $one): bool => $one->weight() > Verdict::Corrected->weight());
        if ($doubtful === [] || ($isCurrent === true && !\in_array(Verdict::Open, $doubtful, true))) {
            return null;
        }
        foreach ($cures as $cure) {
            if ($cure->isPressing()) {
                return self::Pressing;
            }
        }
        $unqualified = array_filter($doubtful, static fn (Verdict $one): bool => $one !== Verdict::Qualified);

        return match (true) {
            $cures !== [] => self::Curable,
            $unqualified === [] => self::Qualified,
            default => self::Lost,
        };
    }
}
