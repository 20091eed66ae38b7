<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What policies settle for a family, or for several alike: a group of rules, and which answer is reported. */
final readonly class Topic
{
    /** What an offset, a flow or a line may be reported by. */
    public const ANSWERS = [Answer::Indicated, Answer::Pre, Answer::Post, Answer::Between];

    /**
     * @param array<string, string>  $rules    titles of the groups of its rules, by what their identifiers begin with
     * @param string                 $response under which a policy names the answer that is reported
     * @param string                 $question such as "Volumes are reported"
     * @param non-empty-list<Answer> $answers  that may be reported, the usual first
     */
    public function __construct(
        public array $rules,
        public string $response,
        public string $question,
        public array $answers = self::ANSWERS,
    ) {
    }
}
