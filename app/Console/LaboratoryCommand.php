<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Laboratory\FileLines;
use Footnote\App\Laboratory\LaboratoryKeeper;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Flow\LaboratoryFile;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Helper\QuestionHelper;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Question\ConfirmationQuestion;

/** Takes a laboratory's report in from a file, with its progress shown. */
#[AsCommand('footnote:laboratory', 'Takes the report of a laboratory in from a CSV file.')]
final class LaboratoryCommand extends Command
{
    public function __construct(private readonly LaboratoryKeeper $keeper)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'the CSV file')
            ->addOption('number', null, InputOption::VALUE_REQUIRED, 'number of the report')
            ->addOption('laboratory', null, InputOption::VALUE_REQUIRED, 'name of the laboratory')
            ->addOption('received', null, InputOption::VALUE_REQUIRED, 'the day it came, such as 2026-03-20')
            ->addOption(
                'blank-corrected',
                null,
                InputOption::VALUE_REQUIRED,
                'whether the laboratory subtracted blanks: yes, no or unknown',
            )
            ->addOption(
                'desorption-corrected',
                null,
                InputOption::VALUE_REQUIRED,
                'whether it corrected for desorption: yes, no or unknown',
            )
            ->addOption(
                'mapping',
                null,
                InputOption::VALUE_REQUIRED,
                'which column holds what, as JSON; left out: guessed from the head, and asked',
            )
            ->addOption('as-guessed', null, InputOption::VALUE_NONE, 'the guess was looked at and is right')
            ->addOption('reason', null, InputOption::VALUE_REQUIRED, 'why it takes the place of an earlier report', '')
            ->addOption('by', null, InputOption::VALUE_REQUIRED, 'who takes it in', 'console');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $option = static function (string $name) use ($input): ?string {
            $value = $input->getOption($name);

            return \is_string($value) && $value !== '' ? $value : null;
        };
        $path = $input->getArgument('file');
        if (!\is_string($path) || !is_file($path) || !is_readable($path)) {
            $output->writeln('The file cannot be read.');

            return self::INVALID;
        }
        try {
            $head = LaboratoryKeeper::head(
                Fields::of(
                    array_filter(
                        [
                            'number' => $option('number'),
                            'laboratory' => $option('laboratory'),
                            'received' => $option('received'),
                            'blankCorrected' => $option('blank-corrected'),
                            'desorptionCorrected' => $option('desorption-corrected'),
                        ],
                        static fn (?string $value): bool => $value !== null,
                    ),
                ),
            );
            $codes = $this->keeper->codes();
            $mapping = $option('mapping');
            $told = $mapping === null ? null : json_decode($mapping, true, 16, \JSON_THROW_ON_ERROR);
            $file = \is_array($told) ? LaboratoryFile::told(Fields::of($told), $codes) : LaboratoryFile::guess(self::start($path), $codes);
            if ($mapping === null && !$this->confirmed($file, $input, $output)) {
                $output->writeln('Nothing was kept.');

                return self::INVALID;
            }
            $checked = $this->keeper->check($file, static fn (): iterable => FileLines::of($path));
            $bar = new ProgressBar($output, $checked['rows']);
            $kept = $this->keeper->keep(
                [...$head, ...$checked['told']],
                $file->read(FileLines::of($path)),
                [
                    'name' => basename($path),
                    'sha256' => (string) hash_file('sha256', $path),
                    'packed' => Cells::packed((string) file_get_contents($path)),
                ],
                $file->describe(),
                $option('reason') ?? '',
                $option('by') ?? 'console',
                static fn (int $done) => $bar->setProgress($done),
            );
            $bar->finish();
            $output->writeln('');
            $output->writeln(
                \sprintf(
                    '%d rows kept as report %s.%s',
                    $kept['rows'],
                    $kept['id'],
                    $kept['unmatched'] === [] ? '' : ' Neither sample nor blank: '.implode(', ', $kept['unmatched']).'.',
                ),
            );

            return self::SUCCESS;
        } catch (InvalidRecord|Problem|\JsonException $problem) {
            $output->writeln($problem->getMessage());
            foreach ($problem instanceof Problem ? $problem->fields : [] as $field) {
                $output->writeln(\sprintf('  %s: %s', $field['field'], $field['problem']));
            }

            return self::INVALID;
        }
    }

    /** A guess is looked at by a person before anything is kept. */
    private function confirmed(LaboratoryFile $file, InputInterface $input, OutputInterface $output): bool
    {
        $guess = $file->describe();
        $output->writeln('Guessed from the head of the table:');
        foreach ($guess['columns'] as $column) {
            $output->writeln(
                \sprintf(
                    '  column %d: %s%s%s',
                    $column['place'] + 1,
                    LaboratoryFile::FIELDS[$column['field']],
                    $column['analyte'] === null ? '' : ' of '.$column['analyte'],
                    $column['unit'] === null ? '' : ', '.$column['unit'],
                ),
            );
        }
        $output->writeln(\sprintf('  masses in %s where no head says it', $guess['unit']));
        if ($input->getOption('as-guessed') === true) {
            return true;
        }
        if (!$input->isInteractive()) {
            $output->writeln(
                'Look at it; then say --as-guessed, or give it changed by --mapping: '.json_encode(
                    $guess,
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
                ),
            );

            return false;
        }

        return (new QuestionHelper())->ask($input, $output, new ConfirmationQuestion('Is that right? (y/n) ', false)) === true;
    }

    /** @return list<string> */
    private static function start(string $path): array
    {
        $lines = [];
        foreach (FileLines::of($path) as $line) {
            $lines[] = $line;
            if (\count($lines) === 40) {
                break;
            }
        }

        return $lines;
    }
}
