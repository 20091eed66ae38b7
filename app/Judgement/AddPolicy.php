<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\PolicyVersion;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Judgement\PolicyReader;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/**
 * A policy is copied and changed: the same code gives the next version, another code a policy of its own. What a rule looks at
 * never changes, only its limit and its weight.
 *
 * @phpstan-import-type RuleData from PolicyReader
 */
final readonly class AddPolicy
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Policies $policies,
        private PolicyReader $reader,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the key of the version */
    public function __invoke(User $user, Fields $told): string
    {
        $base = $this->policies->data($told->text('basedOn'));
        $id = strtolower($told->id('id'));
        $changes = $told->map('rules');
        $rules = self::changed($base['rules'], $changes);
        $reported = [...($base['reported'] ?? [])];
        foreach ($told->map('reported') as $response => $answer) {
            $reported[$response] = \is_string($answer) ? $answer : '';
        }
        $choices = [...($base['choices'] ?? [])];
        foreach ($told->map('choices') as $name => $choice) {
            $choices[$name] = \is_string($choice) ? $choice : '';
        }
        $journalled = [
            'id' => $id,
            'basedOn' => $told->raw('basedOn'),
            'reported' => $reported,
            'choices' => $choices,
            'rules' => $changes,
        ];

        return $this->journal->during(
            $user->code,
            'policy added',
            $journalled,
            function () use ($id, $told, $base, $rules, $reported, $choices, $user): string {
                $version = $this->policies->latest($id) + 1;
                $data = [
                    ...$base,
                    'id' => $id,
                    'name' => $told->text('name'),
                    'version' => $version,
                    'summary' => $told->optionalText('summary', 1000) ?? '',
                    'reported' => $reported,
                    'choices' => $choices,
                    'rules' => $rules,
                ];
                $this->reader->read($data);
                $this->entities->persist(new PolicyVersion($id.'-'.$version, $id, $version, $data, $user->code, $this->clock->now()));

                return $id.'-'.$version;
            },
        );
    }

    /**
     * @param array<string, RuleData> $rules
     * @param array<array-key, mixed> $changes by rule
     *
     * @return array<string, RuleData>
     */
    private static function changed(array $rules, array $changes): array
    {
        foreach ($changes as $rule => $change) {
            if (!isset($rules[$rule]) || !\is_array($change)) {
                throw Problem::field('/rules/'.$rule, 'is no rule of the policy it is based on.');
            }
            foreach (['severity', 'source', 'mark'] as $name) {
                if (\is_string($change[$name] ?? null)) {
                    $rules[$rule][$name] = $change[$name];
                }
            }
            $limits = $rules[$rule]['limits'] ?? [];
            foreach (\is_array($change['limits'] ?? null) ? $change['limits'] : [] as $limit => $value) {
                if (!\is_string($limit) || !isset($limits[$limit]) || !\is_array($value)) {
                    throw Problem::field("/rules/$rule/limits/$limit", 'is no limit of this rule.');
                }
                foreach (['value', 'comparator'] as $name) {
                    if (\is_string($value[$name] ?? null)) {
                        $limits[$limit][$name] = str_replace(',', '.', trim($value[$name]));
                    }
                }
            }
            $rules[$rule]['limits'] = $limits;
        }

        /** @var array<string, RuleData> */
        return $rules;
    }
}
