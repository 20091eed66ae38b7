<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;

/** How far off its label, and off clean air, a channel was left at one check that a run began with. */
final readonly class LeftOff
{
    /** Beyond so many times the tolerance it was not fit to go out. */
    private const FAR = 3;

    /** @param string $where "in its span gas" or "in clean air" */
    private function __construct(
        public Check $check,
        public string $where,
        public Exact $read,
        public Exact $true,
        private SpanTolerance $tolerance,
    ) {
    }

    /**
     * Where it was left beyond its tolerance: at the check before the run, and where it was adjusted in between.
     *
     * @return list<self>
     */
    public static function beyond(Bracket $bracket, Timeline $timeline, GasResponse $response, Policy $policy): array
    {
        $beyond = [];
        $wrong = WrongValue::of($bracket, $timeline, $response);
        foreach ([
            $bracket->pre,
            ...array_filter($bracket->between, static fn (Check $check): bool => $check->content->wasAdjusted()),
        ] as $check) {
            // A unit told to expect another value does as it was told; that is set right by its own rule.
            if ($check?->content instanceof ChannelCheck && $wrong === null) {
                array_push($beyond, ...self::at($check, $check->content, $timeline, $response, $policy));
            }
        }

        return $beyond;
    }

    /** @return list<self> */
    private static function at(Check $check, ChannelCheck $content, Timeline $timeline, GasResponse $response, Policy $policy): array
    {
        $label = $response->label($check, $content, $timeline);
        $reference = $timeline->referenceOf($check);
        $tolerance = $label === null
            ? null
            : SpanTolerance::of(
                $response->channel,
                $label,
                $reference === null ? null : (new Bottle($reference))->uncertainty($response->channel, $check->at),
                $policy,
            );
        if ($label === null || $tolerance === null) {
            return [];
        }
        $span = $content->span->left !== [] || $content->span->adjusted ? $content->span->left : $content->span->found;
        $zero = $content->zero->left !== [] || $content->zero->adjusted ? $content->zero->left : $content->zero->found;
        $beyond = [];
        foreach ([
            [
                'in its span gas',
                $span === [] ? [] : Plateau::in($response->channel, $span, $response->exact($label))->rows,
                $response->exact($label),
            ],
            ['in clean air', $zero, $response->channel->kind->inCleanAir()],
        ] as [$where, $rows, $true]) {
            if ($rows !== []) {
                $read = Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $rows));
                if (!$tolerance->isKeptBy($read->minus($true))) {
                    $beyond[] = new self($check, $where, $read, $true, $tolerance);
                }
            }
        }

        return $beyond;
    }

    public function isFar(): bool
    {
        return !$this->tolerance->isKeptBy($this->read->minus($this->true), self::FAR);
    }

    public function words(Channel $channel): string
    {
        return \sprintf(
            '%s was left reading %s %s %s at the check %s, where %s is true; allowed is %s',
            $channel->name,
            Digits::trimmed($this->read, 2),
            $channel->unit->value,
            $this->where,
            $this->check->id,
            Digits::trimmed($this->true, 2),
            $this->tolerance->words,
        );
    }
}
