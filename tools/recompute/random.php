<?php

declare(strict_types=1);

// Writes random records of all families with their assessments, by the three policies in turn: random.php FOLDER COUNT [SEED].

use Footnote\Core\Families;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\RecordReader;
use Footnote\Tests\Core\RandomRecords;
use Footnote\Tests\Core\Scene;

require dirname(__DIR__, 2).'/vendor/autoload.php';

[$folder, $count, $seed] = [$argv[1] ?? '', (int) ($argv[2] ?? 0), (int) ($argv[3] ?? 1)];
$reader = new RecordReader(Families::formats());
$writer = new AssessmentWriter();
for ($i = 0; $i < $count; ++$i) {
    $own = sprintf('%s/%d', $folder, $seed + $i);
    is_dir($own) || mkdir($own, 0700, true);
    (new RandomRecords($seed + $i))->write($own);
    $record = json_decode((string) file_get_contents($own.'/record.json'), true, 64, \JSON_THROW_ON_ERROR);
    $campaign = $reader->read(
        $record,
        static fn (string $name): LogFile => LogFile::ofText($name, (string) file_get_contents($own.'/'.$name)),
    );
    $policy = Scene::policy(['standard', 'cautious', 'survey'][$i % 3]);
    $shifts = new ShiftAssessor(Families::assessor(), $policy, $campaign->yardsticks);
    $assessed = [];
    foreach ($campaign->timelines as $timeline) {
        foreach ($timeline->runs() as $run) {
            $assessed[] = $writer->write($shifts->assess($run, $timeline, $campaign->shiftOf($run)));
        }
    }
    file_put_contents($own.'/assessment.json', json_encode(['assessments' => $assessed], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
}
