<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\Tests\Core\Scene;

/** A certificate that was typed in wrongly is corrected or withdrawn: it stays on record, and what rests on it is judged again. */
final class CertificatesTest extends ApiTestCase
{
    private const MEANT = ['number' => 'cert-A', 'issued' => '2025-09-01'];

    protected function setUp(): void
    {
        parent::setUp();
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00', '90.0')->check('k2', '16:30', ['114.0']));
    }

    /** @param array<string, mixed> $certificate */
    private function correct(array $certificate, int $status = 204): Answer
    {
        return $this->call(
            'POST',
            '/api/kit/references/A/certificates/correction',
            ['corrects' => self::MEANT, 'reason' => 'two digits exchanged', 'certificate' => $certificate],
            $status,
        );
    }

    /** @return array<string, mixed> */
    private static function certificate(string $certified, string $due = '2030-09-01'): array
    {
        return [
            'number' => 'cert-A', 'laboratory' => 'L', 'issued' => '2025-09-01', 'due' => $due,
            'values' => [['nominal' => '114', 'certified' => $certified, 'uncertainty' => '0.2', 'frequency' => '1000']],
        ];
    }

    /** @return array<array-key, mixed> what was found, by rule */
    private function findings(): array
    {
        return array_column($this->call('GET', '/api/results/r')->list('assessment.findings'), 'seen', 'rule');
    }

    public function testWhatUsedItIsWorkedOutAgainAndSaysWhatWasCorrected(): void
    {
        $this->signIn(Role::Hygienist);
        $before = $this->call('GET', '/api/results/r');
        $this->call('POST', '/api/results/r/decision', ['kind' => 'sign', 'reason' => 'seen', 'digest' => $before->string('digest')], 201);
        $this->signIn(Role::Steward);
        $this->correct(self::certificate('113.4', '2026-01-31'));

        $findings = $this->findings();
        $told = $findings['unit.corrected'] ?? '';
        self::assertIsString($told);
        self::assertStringContainsString('cert-A of A was written otherwise until', $told);
        self::assertStringContainsString('due 2026-01-31, before 2030-09-01', $told);
        self::assertStringContainsString('certified at 114, 1000 113.4 ± 0.2 dB, before 114.0 ± 0.2 dB', $told);
        self::assertStringContainsString('Two digits exchanged', $told);
        self::assertArrayHasKey('reference.expired', $findings, 'the right date counts');
        self::assertSame('evidence', $this->call('GET', '/api/results/r')->at('changedSinceSigning.because'));

        // Both are shown, the first struck; it cannot be corrected twice.
        $kit = $this->call('GET', '/api/kit/instruments/D');
        self::assertSame('D', $kit->string('id'));
        $certificates = $this->certificates();
        self::assertCount(2, $certificates);
        self::assertMatchesRegularExpression('/"corrected on .*exchanged"/', (string) json_encode($certificates[0]['word']));
        self::assertNull($certificates[1]['word']);
        $this->correct(self::certificate('113.4', '2026-01-31'), 422);
        $this->correct(self::certificate('113.5', '2026-01-31'));
        self::assertCount(3, $this->certificates());
        self::assertSame([], [...$this->service(EvidenceCheck::class)->faults()]);

        // The record carries all three and comes to the same.
        $files = [];
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$files): void {
            $files[$name] = $content;
        });
        self::assertStringContainsString('"inPlaceOf"', $files['record.json'] ?? '');
    }

    public function testOneThatBelongsToSomethingElseIsWithdrawn(): void
    {
        $this->signIn(Role::Steward);
        $asks = ['corrects' => self::MEANT, 'reason' => 'of another calibrator'];
        $this->call('POST', '/api/kit/references/A/certificates/correction', $asks, 204);
        self::assertArrayHasKey('reference.certificate-missing', $this->findings());
        $word = json_encode($this->certificates()[0]['word'], \JSON_THROW_ON_ERROR);
        self::assertMatchesRegularExpression('/"withdrawn on .*of another calibrator"/', $word);
        $this->call('POST', '/api/kit/references/A/certificates/correction', $asks, 409);
    }

    public function testWhatCannotBeCorrectedIsRefused(): void
    {
        $this->signIn(Role::Technician);
        $this->correct(self::certificate('113.4'), 403);
        $this->signIn(Role::Steward);
        $this->correct(self::certificate('114.0'), 422);
        $this->correct(self::certificate('abc'), 422);
        $this->correct([...self::certificate('113.4'), 'values' => []], 422);
        $this->correct([...self::certificate('113.4'), 'colour' => 'red'], 422);
        $none = ['corrects' => ['number' => 'x', 'issued' => '2025-09-01'], 'reason' => 'x'];
        $this->call('POST', '/api/kit/references/A/certificates/correction', $none, 409);
        $this->call('POST', '/api/kit/references/nothing/certificates/correction', $none, 404);
        $this->call('POST', '/api/kit/references/A/certificates/correction', ['corrects' => self::MEANT, 'reason' => ''], 422);
        self::assertCount(1, $this->certificates());
        self::assertArrayNotHasKey('unit.corrected', $this->findings());
    }

    /** @return list<array<array-key, mixed>> */
    private function certificates(): array
    {
        foreach ($this->call('GET', '/api/kit')->list('references') as $reference) {
            if (\is_array($reference) && $reference['id'] === 'A' && \is_array($reference['certificates'])) {
                return array_values(array_filter($reference['certificates'], \is_array(...)));
            }
        }
        self::fail('There is no reference A.');
    }
}
