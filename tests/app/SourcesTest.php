<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\Tests\Core\Scene;

/** What equations and rules name from memory, and a steward who holds it against its text. */
final class SourcesTest extends ApiTestCase
{
    /** An equation, N-6, and the rules of a policy that is kept name it. */
    private const SOURCE = 'ISO 9612 Annex C';
    private const TOLD = ['source' => self::SOURCE, 'edition' => '2009', 'clause' => '12.2', 'on' => '2026-03-02'];

    public function testAStewardConfirmsASourceAndTheNewestStands(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0']));
        $this->signIn(Role::Steward);
        $before = $this->call('GET', '/api/sources');
        self::assertContains(self::SOURCE, array_column($before->list('fromMemory'), 'source'));
        self::assertContains(
            'ISO 9612 discards the series beyond it; common practice',
            array_column($before->list('fromMemory'), 'source'),
            'what a rule of a policy says',
        );
        self::assertSame([], $before->list('confirmed'));
        $this->call('POST', '/api/sources', self::TOLD, 204);
        $this->call('POST', '/api/sources', ['edition' => '2025', 'clause' => '', 'on' => '2026-03-03'] + self::TOLD, 204);
        $after = $this->call('GET', '/api/sources');
        self::assertSame(
            [['source' => self::SOURCE, 'edition' => '2025', 'clause' => '', 'on' => '2026-03-03', 'by' => 'S-1']],
            $after->list('confirmed'),
        );
        // The mark is what was written and stays; only how it is told changes.
        self::assertSame($before->list('fromMemory'), $after->list('fromMemory'));
        $lines = array_filter(
            $this->call('GET', '/api/journal')->list('entries'),
            static fn (mixed $line): bool => \is_array($line) && ($line['kind'] ?? '') === 'source confirmed',
        );
        self::assertCount(2, $lines);
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    public function testWhatIsNotToldOrNotToBeConfirmedIsRefusedByItsField(): void
    {
        $this->signIn(Role::Steward);
        foreach ([
            '/source' => ['source' => 'a book nobody names'],
            '/edition' => ['edition' => '  '],
            '/on' => ['on' => '2999-01-01'],
        ] as $field => $wrong) {
            $problem = $this->call('POST', '/api/sources', $wrong + self::TOLD, 422);
            self::assertSame([$field], array_column($problem->list('fields'), 'field'), $field);
        }
        $this->call('POST', '/api/sources', ['on' => 'yesterday'] + self::TOLD, 422);
        $this->call('POST', '/api/sources', ['edition' => str_repeat('x', 121)] + self::TOLD, 422);
        self::assertSame([], $this->call('GET', '/api/sources')->list('confirmed'));
    }
}
