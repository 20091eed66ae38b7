<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\Interval;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Evidence\InvalidInterval;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/**
 * Reads a policy from its data. A policy may name another it is based on and list only what differs.
 *
 * @phpstan-type LimitData array{value?: string, unit?: string, comparator?: string}
 * @phpstan-type RuleData array{title?: string, severity?: string, limits?: array<string, LimitData>, source?: string, mark?: string}
 * @phpstan-type PolicyData array{
 *   id: string, name: string, version: int, summary?: string, basedOn?: string,
 *   reported?: array<string, string>, choices?: array<string, string>, rules: array<string, RuleData>,
 * }
 */
final readonly class PolicyReader
{
    /**
     * The policy data with everything it is based on filled in.
     *
     * @param PolicyData              $data
     * @param array<string, PolicyData> $others policies it may be based on, by identifier
     *
     * @return PolicyData
     */
    public function complete(array $data, array $others): array
    {
        if (!isset($data['basedOn'])) {
            return $data;
        }
        $base = $this->complete(
            $others[$data['basedOn']] ?? throw new InvalidPolicy('/basedOn', \sprintf('there is no policy "%s".', $data['basedOn'])),
            $others,
        );
        unset($data['basedOn']);
        $rules = $base['rules'];
        foreach ($data['rules'] as $id => $rule) {
            $before = $rules[$id] ?? [];
            $limits = $before['limits'] ?? [];
            foreach ($rule['limits'] ?? [] as $name => $limit) {
                $limits[$name] = [...($limits[$name] ?? []), ...$limit];
            }
            $rules[$id] = [...$before, ...$rule, 'limits' => $limits];
        }

        return [
            ...$base,
            ...$data,
            'reported' => [...($base['reported'] ?? []), ...($data['reported'] ?? [])],
            'choices' => [...($base['choices'] ?? []), ...($data['choices'] ?? [])],
            'rules' => $rules,
        ];
    }

    /**
     * @param PolicyData $data complete
     *
     * @throws InvalidPolicy naming the place
     */
    public function read(array $data): Policy
    {
        $reported = [];
        foreach ($data['reported'] ?? [] as $response => $answer) {
            $reported[$response] = Answer::tryFrom($answer) ?? throw new InvalidPolicy(
                '/reported/'.$response,
                self::oneOf(Answer::cases()),
            );
        }
        $rules = [];
        foreach ($data['rules'] as $id => $rule) {
            $path = '/rules/'.$id;
            $severity = $rule['severity'] ?? '';
            if ($severity === 'off') {
                continue;
            }
            $limits = [];
            foreach ($rule['limits'] ?? [] as $name => $limit) {
                try {
                    $value = Decimal::parse($limit['value'] ?? '');
                } catch (MalformedDecimal $problem) {
                    throw new InvalidPolicy("$path/limits/$name/value", $problem->getMessage());
                }
                if ($value->value->compareTo(\Footnote\Core\Quantity\Exact::zero()) < 0) {
                    throw new InvalidPolicy("$path/limits/$name/value", 'a limit is not negative.');
                }
                $unit = $limit['unit'] ?? '';
                self::askInterval($value, $unit, "$path/limits/$name/value");
                $comparator = Comparator::tryFrom($limit['comparator'] ?? Comparator::NotMoreThan->value)
                    ?? throw new InvalidPolicy("$path/limits/$name/comparator", self::oneOf(Comparator::cases()));
                $limits[$name] = new Limit($name, $value, $unit, $comparator);
            }
            $source = trim($rule['source'] ?? '');
            if ($source === '') {
                throw new InvalidPolicy("$path/source", 'say where the limit comes from.');
            }
            $rules[$id] = new RuleSetting(
                new NamedRule(
                    $id,
                    $rule['title'] ?? $id,
                    $source,
                    SourceMark::tryFrom($rule['mark'] ?? '') ?? throw new InvalidPolicy("$path/mark", self::oneOf(SourceMark::cases())),
                ),
                Severity::tryFrom($severity) ?? throw new InvalidPolicy("$path/severity", self::oneOf(Severity::cases()).' or off'),
                $limits,
            );
        }

        return new Policy(
            $data['id'],
            $data['name'],
            $data['version'],
            $data['summary'] ?? '',
            $reported,
            $rules,
            $this->choices($data['choices'] ?? []),
        );
    }

    /**
     * @param array<string, string> $choices
     *
     * @return array<string, string>
     */
    private function choices(array $choices): array
    {
        foreach ($choices as $name => $choice) {
            $known = PolicyChoice::tryFrom($name)?->answers() ?? throw new InvalidPolicy('/choices/'.$name, 'there is no such choice.');
            if (!isset($known[$choice])) {
                throw new InvalidPolicy('/choices/'.$name, 'one of '.implode(', ', array_keys($known)));
            }
        }

        return $choices;
    }

    private static function askInterval(Decimal $value, string $unit, string $path): void
    {
        $told = IntervalUnit::tryFrom($unit);
        if ($told === null) {
            return;
        }
        try {
            Interval::of($value, $told);
        } catch (InvalidInterval $problem) {
            throw new InvalidPolicy($path, $problem->getMessage());
        }
    }

    /** @param list<\BackedEnum> $cases */
    private static function oneOf(array $cases): string
    {
        return 'one of '.implode(', ', array_map(static fn (\BackedEnum $case): string => (string) $case->value, $cases));
    }
}
