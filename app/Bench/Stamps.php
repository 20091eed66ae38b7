<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\ModelSheets;

/**
 * When each step was confirmed and each timer started, noted by the server as it hears of it: the clock of a telephone says
 * nothing of it. What is copied from a sheet of paper was not done while it was typed, and gets none.
 * The model sheets stay those that the check began with.
 */
final class Stamps
{
    private const NOTED = ['steps' => 'stepTimes', 'waits' => 'stepWaits'];

    /**
     * @param array<string, mixed> $before  the answers as they stood
     * @param array<string, mixed> $answers as they are now; what they say of these moments themselves is not taken
     *
     * @return array<string, mixed> the answers with the moments
     */
    public static function on(array $before, array $answers, \DateTimeImmutable $now): array
    {
        $paper = ($answers['fromPaper'] ?? null) === true;
        foreach (self::NOTED as $what => $moments) {
            $stamped = [];
            foreach ($paper ? [] : self::map($answers, $what) as $step => $state) {
                $same = (self::map($before, $what)[$step] ?? null) === $state;
                $stamped[$step] = $same ? self::map($before, $moments)[$step] ?? null : $now->format(\DATE_ATOM);
            }
            $stamped = array_filter($stamped, \is_string(...));
            unset($answers[$moments]);
            $answers += $stamped === [] ? [] : [$moments => $stamped];
        }

        $own = [ModelSheets::ANSWER => true, StandInSeat::ANSWER => true];

        return [...array_diff_key($answers, $own), ...array_intersect_key($before, $own)];
    }

    /**
     * The moments that the server noted.
     *
     * @param array<string, mixed> $answers
     * @param string               $name    "stepTimes" or "stepWaits"
     *
     * @return array<string, \DateTimeImmutable> by step
     */
    public static function moments(array $answers, string $name): array
    {
        $moments = [];
        foreach (self::map($answers, $name) as $step => $at) {
            $moment = \is_string($at) ? date_create_immutable($at) : false;
            if ($moment !== false) {
                $moments[(string) $step] = $moment;
            }
        }

        return $moments;
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return array<array-key, mixed>
     */
    private static function map(array $answers, string $name): array
    {
        return \is_array($answers[$name] ?? null) ? $answers[$name] : [];
    }
}
