<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\PolicyChoice;
use Footnote\Core\Judgement\Rule\SharedRules;
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Record\ReferenceKind;

/**
 * What a policy settles, as screens ask it.
 *
 * @phpstan-type Question array{of: string, name: string, title: string, answers: list<array{value: string, words: string}>}
 */
final class PolicyQuestions
{
    /**
     * @param list<Topic> $topics
     *
     * @return array<string, string> titles of groups of rules, by what their identifiers begin with
     */
    public static function groups(array $topics): array
    {
        return [...SharedRules::GROUPS, ...array_merge(...array_map(static fn (Topic $topic): array => $topic->rules, $topics))];
    }

    /**
     * @param list<Family>          $families
     * @param list<ReferenceKind>   $kinds
     *
     * @return array<string, string> titles of limits that are set for a family, or for a kind of reference, by its identifier
     */
    public static function limits(array $families, array $kinds): array
    {
        $titles = [];
        foreach ($families as $family) {
            $titles[$family->id()] = $family->title();
        }
        foreach ($kinds as $kind) {
            $titles[$kind->id] = lcfirst($kind->title);
        }

        return $titles;
    }

    /**
     * @param list<Topic> $topics
     *
     * @return list<Question>
     */
    public static function of(array $topics): array
    {
        return [
            ...array_map(static fn (Topic $topic): array => [
                'of' => 'reported',
                'name' => $topic->response,
                'title' => $topic->question,
                'answers' => array_map(
                    static fn (Answer $answer): array => ['value' => $answer->value, 'words' => $answer->brief()],
                    $topic->answers,
                ),
            ], $topics),
            ...array_map(static fn (PolicyChoice $choice): array => [
                'of' => 'choices',
                'name' => $choice->value,
                'title' => $choice->question(),
                'answers' => array_map(
                    static fn (string $value, string $words): array => ['value' => $value, 'words' => $words],
                    array_keys($choice->answers()),
                    array_values($choice->answers()),
                ),
            ], PolicyChoice::cases()),
        ];
    }
}
