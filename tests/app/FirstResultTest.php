<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** A new logbook leads to its first signed result, and to nothing that could not be stood up for. */
final class FirstResultTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private const STEPS = ['people', 'campaign', 'unit', 'reference', 'check', 'run', 'stop', 'after', 'shown', 'sign'];

    /** @return list<mixed> the steps that are not done */
    private function left(): array
    {
        $way = $this->call('GET', '/api/first-result');

        return array_values(array_filter(
            array_column($way->list('steps'), 'id'),
            static fn (mixed $id): bool => \is_string($id) && $way->at('steps.'.array_search($id, self::STEPS, true).'.done') === false,
        ));
    }

    /** @return array<mixed> what is against a step */
    private function lacks(string $id): array
    {
        $at = array_search($id, self::STEPS, true);

        return $this->call('GET', '/api/first-result')->list("steps.$at.lacks");
    }

    public function testACampaignBeginsWithWhatItIsMeasuredAgainst(): void
    {
        $this->signIn(Role::Hygienist);
        self::assertSame(\array_slice(self::STEPS, 1), $this->left());
        $sets = $this->call('GET', '/api/campaigns/beginnings');
        self::assertContains('Europe/London', $sets->list('zones'));
        self::assertContains('upper action value ≥ 85 dB(A)', $sets->list('sets.0.holds'));
        $new = ['id' => 'n', 'title' => 'Noise', 'site' => 'Mill', 'zone' => 'Europe/London'];
        foreach ([
            [[], '/sets'],
            [['sets' => ['noise-eu'], 'like' => 'n'], '/sets'],
            [['sets' => ['noise-mars']], '/sets'],
            [['sets' => ['conditions-25', 'as-sampled']], '/sets'],
            [['sets' => 'noise-eu'], '/sets'],
            [['like' => 'nobody'], '/like'],
        ] as [$asked, $field]) {
            self::assertSame($field, $this->call('POST', '/api/campaigns', $asked + $new, 422)->string('fields.0.field'));
        }
        self::assertSame([], $this->call('GET', '/api/campaigns')->list('campaigns'));

        $begun = $this->call('POST', '/api/campaigns', ['sets' => ['noise-eu', 'as-sampled', 'as-sampled']] + $new, 201);
        self::assertSame(['as-sampled'], array_column($begun->list('campaigns.0.criteria'), 'id'));
        // What holds behind hearing protection is in no set: a dosimeter at the shoulder is not set against it unasked.
        self::assertSame(
            ['eu-lower', 'eu-upper', 'eu-lower-peak', 'eu-upper-peak'],
            array_column($begun->list('campaigns.0.limits'), 'id'),
        );
        $this->call('POST', '/api/campaigns/n/policy', ['policy' => 'cautious-1', 'instead' => 'standard-1']);
        $like = $this->call('POST', '/api/campaigns', ['id' => 'n2', 'like' => 'n'] + $new, 201);
        self::assertSame(['cautious-1', false], [$like->string('campaigns.1.policy'), $like->at('campaigns.1.policyChanged')]);
        self::assertSame($like->at('campaigns.0.limits'), $like->at('campaigns.1.limits'));
        self::assertSame(\array_slice(self::STEPS, 2), $this->left());
    }

    public function testAReferenceServesOnlyWhatItFits(): void
    {
        $this->signIn(Role::Steward);
        $unit = ['id' => 'D', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140'];
        $this->call('POST', '/api/kit/instruments', ['id' => 'X', 'practice' => true] + $unit, 201);
        // What is for practice signs nothing.
        self::assertContains('unit', $this->left());
        $this->call('POST', '/api/kit/instruments', $unit, 201);
        $way = $this->call('GET', '/api/first-result');
        self::assertSame(['D', null, ['acoustic-calibrator']], [$way->at('unit'), $way->at('run'), $way->at('kinds')]);
        $certificate = ['number' => 'c', 'laboratory' => 'L', 'issued' => '2025-09-01', 'due' => '2030-09-01'];
        $this->call(
            'POST',
            '/api/kit/references',
            ['id' => 'T', 'kind' => 'thermometer', 'model' => 'K', 'certificates' => [$certificate + ['values' => []]]],
            201,
        );
        self::assertContains('reference', $this->left());
        $this->call('POST', '/api/kit/references', Scene::calibrator('A', '114.0', '0.2'), 201);
        self::assertNotContains('reference', $this->left());
        $this->call('POST', '/api/kit/references/A/retirement', ['reason' => 'lost'], 204);
        self::assertContains('reference', $this->left());
    }

    /** @return iterable<string, array{Scene, list<string>}> */
    public static function ways(): iterable
    {
        $checked = static fn (string $found = '114.0'): Scene => (new Scene())->check('k1', '07:30', [$found]);
        yield 'checked' => [$checked(), ['run', 'stop', 'after', 'shown', 'sign']];
        yield 'checked, and far off' => [$checked('118.0'), ['check', 'run', 'stop', 'after', 'shown', 'sign']];
        yield 'out' => [$checked()->run('r1', '08:00', null), ['stop', 'after', 'shown', 'sign']];
        yield 'back' => [$checked()->run('r1', '08:00', '16:00'), ['after', 'sign']];
        yield 'closed' => [$checked()->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']), ['sign']];
        // That it was adjusted before anybody looked stands at the signature, and at no step that could still be done.
        yield 'adjusted first' => [
            $checked()->run('r1', '08:00', '16:00')->intervention('i1', '16:10', 'adjusted'),
            ['sign'],
        ];
    }

    /** @param list<string> $left */
    #[DataProvider('ways')]
    public function testEachStepIsDoneWhenItsEvidenceIsThere(Scene $scene, array $left): void
    {
        self::mockTime('2026-03-02T17:00:00+00:00');
        $this->import($scene);
        $this->signIn(Role::Hygienist);
        self::assertSame($left, $this->left());
        self::assertSame(\in_array('check', $left, true), $this->lacks('check') !== []);
    }

    public function testWhatASignatureLacksIsSaidUntilSomebodySigned(): void
    {
        self::mockTime('2026-03-02T17:00:00+00:00');
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $this->signIn(Role::Technician);
        $way = $this->call('GET', '/api/first-result');
        self::assertSame(['r1', 'open'], [$way->at('run'), $way->at('verdict')]);
        self::assertSame([false, ['hygienist']], [$way->at('steps.9.may'), $way->at('steps.9.who')]);
        self::assertStringContainsString('Lifts it: ', implode(' ', array_filter($this->lacks('sign'), \is_string(...))));

        $this->signIn(Role::Hygienist);
        self::assertTrue($this->call('GET', '/api/first-result')->at('steps.9.may'));
        $this->call('POST', '/api/results/r1/decision', [
            'kind' => 'void',
            'digest' => $this->call('GET', '/api/results/r1')->string('digest'),
            'reason' => 'for this test',
        ], 201);
        self::assertSame([], $this->call('GET', '/api/first-result')->list('steps'));
    }

    public function testWhoeverRecordedManyRunsKnowsTheWay(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0']);
        foreach (['09', '10', '11', '12'] as $hour) {
            $scene->run('r'.$hour, $hour.':00', $hour.':40');
        }
        $this->import($scene);
        $this->signIn(Role::Reader);
        self::assertSame([], $this->call('GET', '/api/first-result')->list('steps'));
    }
}
