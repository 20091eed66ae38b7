<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\Tests\Core\Scene;

/** What was typed in wrongly of a unit or a reference is put right: it stays on record, and what rests on it is judged again. */
final class KitCorrectionsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00', '138.0')->check('k2', '16:30', ['114.0']));
        $this->signIn(Role::Steward);
    }

    /**
     * @param array<string, mixed> $record
     * @param array<string, mixed> $more
     */
    private function correct(string $path, array $record, int $status = 204, array $more = []): Answer
    {
        return $this->call('POST', '/api/kit/'.$path.'/correction', ['record' => $record, 'reason' => 'misread', ...$more], $status);
    }

    /** @return array<array-key, mixed> what was found, by rule */
    private function findings(): array
    {
        return array_column($this->call('GET', '/api/results/r')->list('assessment.findings'), 'seen', 'rule');
    }

    public function testWhatRestsOnAUnitIsWorkedOutAgainAndSaysSo(): void
    {
        self::assertArrayNotHasKey('reference.adapter', $this->findings());
        $this->correct('instruments/D', ['model' => 'M', 'serial' => 'SN-7', 'microphone' => '1/4 in', 'rangeHigh' => '130']);
        $found = $this->findings();
        self::assertArrayHasKey('reference.adapter', $found, 'the adapter does not fit');
        $told = $found['unit.corrected'] ?? '';
        self::assertIsString($told);
        self::assertStringContainsString('D was written otherwise until', $told);
        self::assertStringContainsString('130 dB, before 140 dB', $told);
        self::assertStringContainsString('serial number SN-7, before nothing', $told);

        $unit = $this->call('GET', '/api/kit/instruments/D');
        self::assertSame('SN-7', $unit->string('written.serial'));
        self::assertSame('misread', $unit->string('corrections.0.reason'));
        // A second time, and back: the last word counts, and every one is told.
        $this->correct('instruments/D', ['model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140']);
        self::assertArrayNotHasKey('reference.adapter', $this->findings());
        self::assertCount(2, $this->call('GET', '/api/kit/instruments/D')->list('corrections'));
        self::assertArrayNotHasKey('serial', $this->call('GET', '/api/kit/instruments/D')->list('written'));
        self::assertSame([], [...$this->service(EvidenceCheck::class)->faults()]);

        $files = [];
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$files): void {
            $files[$name] = $content;
        });
        $record = json_decode($files['record.json'] ?? '', true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($record);
        self::assertIsArray($record['instruments']);
        self::assertIsArray($record['instruments'][0]);
        self::assertSame('140', $record['instruments'][0]['rangeHigh']);
        self::assertIsArray($record['instruments'][0]['corrections']);
        self::assertCount(2, $record['instruments'][0]['corrections']);
    }

    public function testAReferenceIsPutRight(): void
    {
        $this->correct('references/A', ['model' => 'K', 'adapters' => ['as wide as a thumb']], 422);
        $this->correct('references/A', ['model' => 'K 2', 'adapters' => ['1/2 in']]);
        $told = $this->findings()['unit.corrected'] ?? '';
        self::assertIsString($told);
        self::assertStringContainsString('A was written otherwise until', $told);
        self::assertStringContainsString('model K 2, before K', $told);
    }

    public function testWhatCannotBeCorrectedIsRefused(): void
    {
        $right = ['model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140'];
        $this->correct('instruments/D', $right, 422);
        $refused = $this->correct('instruments/D', [...$right, 'family' => 'gas-monitor'], 422);
        self::assertSame('/record/family', $refused->string('fields.0.field'));
        $this->correct('instruments/D', [...$right, 'rangeHigh' => '1e999'], 422);
        $this->correct('instruments/D', ['model' => ''], 422);
        $this->correct('instruments/D', [...$right, 'model' => 'N'], 422, ['reason' => '']);
        $this->correct('instruments/nothing', $right, 404);
        $this->signIn(Role::Technician);
        $this->correct('instruments/D', [...$right, 'model' => 'N'], 403);
        self::assertSame([], $this->call('GET', '/api/kit/instruments/D')->list('corrections'));
    }
}
