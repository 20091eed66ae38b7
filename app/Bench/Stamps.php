<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Refusal\Problem;

/**
 * When each step was confirmed and each timer started, noted by the server as it hears of it: the clock of a telephone says
 * nothing of it. What is copied from a sheet of paper was not done while it was typed, and gets none.
 * The model sheets stay those that the check began with.
 */
final class Stamps
{
    private const NOTED = ['steps' => 'stepTimes', 'waits' => 'stepWaits'];

    private const OWN = [ModelSheets::ANSWER => true, StandInSeat::ANSWER => true, BroughtBy::ANSWER => true];

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

        return [...array_diff_key($answers, self::OWN), ...self::own($before)];
    }

    /**
     * What only the server writes among the answers.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function own(array $answers): array
    {
        return array_intersect_key($answers, self::OWN);
    }

    /**
     * The answers of a check that was walked where no server answered, with the moments that the device noted.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     *
     * @throws Problem where a moment is none, or lies before it was begun or after it is brought
     */
    public static function brought(array $answers, \DateTimeImmutable $from, \DateTimeImmutable $to): array
    {
        $paper = ($answers['fromPaper'] ?? null) === true;
        $noted = [];
        foreach (self::NOTED as $what => $moments) {
            foreach ($paper ? [] : array_intersect_key(self::map($answers, $moments), self::map($answers, $what)) as $step => $at) {
                $moment = self::read($at);
                if ($moment === null || $moment < $from || $moment > $to) {
                    throw Problem::field(\sprintf('/answers/%s/%s', $moments, $step), 'is no moment between its begin and now.');
                }
                $noted[$moments][$step] = $moment->format(\DATE_ATOM);
            }
        }

        return [...array_diff_key($answers, self::OWN, array_flip(self::NOTED)), ...$noted];
    }

    /**
     * A moment that stands under a name; null where none does.
     *
     * @param array<string, mixed> $answers
     */
    public static function moment(array $answers, string $name): ?\DateTimeImmutable
    {
        return self::read($answers[$name] ?? null);
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
            $moment = self::read($at);
            if ($moment !== null) {
                $moments[(string) $step] = $moment;
            }
        }

        return $moments;
    }

    private static function read(mixed $at): ?\DateTimeImmutable
    {
        $moment = \is_string($at) ? date_create_immutable($at) : false;

        return $moment === false ? null : $moment;
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
