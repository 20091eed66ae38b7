<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Comparator;
use Footnote\Core\Judgement\InvalidPolicy;
use Footnote\Core\Judgement\PolicyReader;
use Footnote\Core\Judgement\Severity;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Policies are data: read whole, based on one another, refused by the place of their fault. */
final class PolicyReaderTest extends TestCase
{
    private const RULE = [
        'title' => 'Drift',
        'severity' => 'void',
        'limits' => ['drift' => ['value' => '0.5', 'unit' => 'dB']],
        'source' => 'practice',
        'mark' => 'common practice',
    ];
    private const BASE = [
        'id' => 'base',
        'name' => 'Base',
        'version' => 1,
        'reported' => ['offset' => 'indicated', 'flow' => 'between'],
        'rules' => ['noise.drift' => self::RULE, 'noise.gap' => [...self::RULE, 'severity' => 'note']],
    ];

    public function testWhatDiffersIsLaidOverWhatItIsBasedOn(): void
    {
        $reader = new PolicyReader();
        $data = $reader->complete([
            'id' => 'ours', 'name' => 'Ours', 'version' => 3, 'basedOn' => 'base', 'reported' => ['offset' => 'between'],
            'rules' => ['noise.drift' => ['limits' => ['drift' => ['value' => '0,8']]], 'noise.gap' => ['severity' => 'off']],
        ], ['base' => self::BASE]);
        $policy = $reader->read($data);
        self::assertSame(['ours', 3], [$policy->id, $policy->version]);
        self::assertSame(
            [Answer::Between, Answer::Between, Answer::Indicated],
            [$policy->reportedAnswer('offset'), $policy->reportedAnswer('flow'), $policy->reportedAnswer('unheard of')],
        );
        self::assertSame('0.8', $policy->limit('noise.drift', 'drift')?->value->written);
        self::assertSame('dB', $policy->limit('noise.drift', 'drift')->unit, 'what is not said stays');
        self::assertSame(Severity::Void, $policy->rule('noise.drift')?->severity);
        self::assertNull($policy->rule('noise.gap'), 'off is off');
        self::assertNull($policy->limit('noise.gap', 'drift'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what of the rule is wrong, and the place */
    public static function faults(): iterable
    {
        yield 'unknown weight' => [['severity' => 'fatal'], '/rules/noise.drift/severity'];
        yield 'limit in words' => [['limits' => ['drift' => ['value' => 'half a decibel']]], '/rules/noise.drift/limits/drift/value'];
        yield 'negative limit' => [['limits' => ['drift' => ['value' => '-0.5']]], '/rules/noise.drift/limits/drift/value'];
        yield 'unknown comparator' => [
            ['limits' => ['drift' => ['value' => '0.5', 'comparator' => 'about']]],
            '/rules/noise.drift/limits/drift/comparator',
        ];
        yield 'no source' => [['source' => '  '], '/rules/noise.drift/source'];
        yield 'unknown mark' => [['mark' => 'hearsay'], '/rules/noise.drift/mark'];
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('faults')]
    public function testNamesThePlace(array $part, string $place): void
    {
        try {
            // @phpstan-ignore argument.type (the fault is the point)
            (new PolicyReader())->read([...self::BASE, 'rules' => ['noise.drift' => [...self::RULE, ...$part]]]);
            self::fail('read without a word');
        } catch (InvalidPolicy $problem) {
            self::assertSame($place, $problem->path);
        }
    }

    public function testBasedOnNothing(): void
    {
        $this->expectException(InvalidPolicy::class);
        (new PolicyReader())->complete(['id' => 'x', 'name' => 'X', 'version' => 1, 'basedOn' => 'nowhere', 'rules' => []], []);
    }

    public function testAnUnknownAnswerIsRefused(): void
    {
        $this->expectExceptionMessage('/reported/offset');
        (new PolicyReader())->read([...self::BASE, 'reported' => ['offset' => 'wished for']]);
    }

    /** "Not more than" passes at the limit, "less than" does not, "not less than" turns it round. */
    public function testComparatorsAtTheLimit(): void
    {
        $holds = static fn (Comparator $comparator): array => array_map($comparator->holds(...), [-1, 0, 1]);
        self::assertSame([true, true, false], $holds(Comparator::NotMoreThan));
        self::assertSame([true, false, false], $holds(Comparator::LessThan));
        self::assertSame([false, true, true], $holds(Comparator::NotLessThan));
    }

    /** The shipped limits, by the table of judgement (own, common practice, ISO 9612 from memory). */
    public function testShippedLimits(): void
    {
        $table = [
            ['noise.drift', 'drift', '0.5', '0.5', '1.0'],
            ['noise.as-found-large', 'as-found', '1.0', '0.5', '1.5'],
            ['noise.cumulative-adjustment', 'sum', '1.5', '1.0', '2.0'],
            ['clock.offset', 'offset', '60', '30', '120'],
            ['clock.doubtful', 'offset', '300', '120', '600'],
            ['noise.gap', 'share', '1', '0.5', '2'],
            ['noise.gap-large', 'share', '5', '2', '10'],
            ['run.short', 'share', '75', '90', '50'],
            ['bracket.pre-check-old', 'age', '24', '24', '168'],
            ['noise.tone-removed', 'near', '0.5', '0.5', '0.5'],
            ['noise.tone-removed', 'spread', '0.2', '0.2', '0.2'],
            ['noise.tone-removed', 'seconds', '10', '10', '10'],
            ['noise.flat-stretch', 'spread', '0.3', '0.3', '0.3'],
            ['noise.flat-stretch', 'minutes', '10', '10', '10'],
        ];
        foreach ($table as [$rule, $limit, $standard, $cautious, $survey]) {
            $found = array_map(
                static fn (string $policy): ?string => Scene::policy($policy)->limit($rule, $limit)?->value->written,
                ['standard', 'cautious', 'survey'],
            );
            self::assertSame([$standard, $cautious, $survey], $found, "$rule $limit");
        }
        self::assertSame(Severity::Note, Scene::policy('standard')->rule('judgement.undecided')?->severity);
        self::assertSame(Severity::Qualified, Scene::policy('cautious')->rule('judgement.undecided')?->severity);
        self::assertSame(Comparator::LessThan, Scene::policy('standard')->limit('noise.flat-stretch', 'spread')?->comparator);
    }
}
