<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\ShippedPolicies;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Families;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\InvalidPolicy;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyReader;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Assesses a record file without a database. Exit codes: 0 assessed, 2 invalid record, 1 internal error.
 *
 * It needs no container either: bin/console makes it directly, so that a script that assesses many records is quick.
 */
#[AsCommand('footnote:assess', 'Reads a record and prints its assessment as JSON; needs no database.')]
final class AssessCommand extends Command
{
    public function __construct(
        private readonly Assessor $assessor,
        private readonly RecordReader $records,
        private readonly AssessmentWriter $writer,
        private readonly PolicyReader $policyReader,
        private readonly ShippedPolicies $policies,
        private readonly string $projectDir,
    ) {
        parent::__construct();
    }

    public static function alone(string $projectDir): self
    {
        return new self(
            Families::assessor(),
            new RecordReader(Families::formats()),
            new AssessmentWriter(),
            new PolicyReader(),
            new ShippedPolicies($projectDir),
            $projectDir,
        );
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a record (docs/formats.md)')
            ->addOption('policy', null, InputOption::VALUE_REQUIRED, 'standard, cautious or survey, in place of the record\'s own');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $path = $input->getArgument('file');
            $file = RecordFile::open(\is_string($path) ? $path : '', $this->projectDir);
            $campaign = $this->records->read($file->data, $file->logFile(...));
            $policy = $this->policy($input->getOption('policy') ?? $campaign->policy);
            $assessed = [];
            $shifts = new ShiftAssessor($this->assessor, $policy, $campaign->yardsticks);
            foreach ($campaign->timelines as $timeline) {
                foreach ($timeline->runs() as $run) {
                    $assessed[] = [
                        ...$this->writer->write($shifts->assess($run, $timeline, $campaign->shiftOf($run))),
                        ...($timeline->instrument->isPractice() ? ['practice' => true] : []),
                    ];
                }
            }
            $output->writeln(
                json_encode(
                    [
                        'format' => 'footnote-assessment/1',
                        'record' => $file->sha256,
                        'assessments' => $assessed,
                        'withdrawn' => array_map(static fn (Run $run): array => [
                            'run' => $run->id,
                            'by' => $run->notes->withdrawn->by ?? '',
                            'reason' => $run->notes->withdrawn->reason ?? '',
                        ], $campaign->withdrawn()),
                    ],
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT,
                ),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        } catch (InvalidRecord|InvalidPolicy $problem) {
            ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln(
                'Invalid record. '.$problem->getMessage(),
                OutputInterface::OUTPUT_RAW,
            );

            return self::INVALID;
        }
    }

    private function policy(mixed $policy): Policy
    {
        if (\is_string($policy) && \in_array($policy, ShippedPolicies::ALL, true)) {
            return $this->policyReader->read($this->policies->get($policy));
        }
        if (!\is_array($policy)) {
            throw new InvalidRecord('/policy', 'must be standard, cautious, survey, or a whole policy.');
        }

        // @phpstan-ignore argument.type (the schema has been checked)
        return $this->policyReader->read($this->policyReader->complete($policy, $this->policies->all()));
    }
}
