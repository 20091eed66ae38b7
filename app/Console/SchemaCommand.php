<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\Core\Record\Formats;
use Footnote\Core\Record\RecordSchema;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Writes the JSON Schema of the record format from what the families' readers read. */
#[AsCommand('footnote:schema', 'Writes contract/record.schema.json from the entries of the families.')]
final class SchemaCommand extends Command
{
    public const PATH = '/contract/record.schema.json';

    public function __construct(private readonly Formats $families, private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('check', null, InputOption::VALUE_NONE, 'only say whether the file is current; exit code 1 where it is not');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $schema = self::written($this->families);
        $path = $this->projectDir.self::PATH;
        $isCurrent = is_file($path) && file_get_contents($path) === $schema;
        if ($isCurrent) {
            $output->writeln('contract/record.schema.json is current.');

            return self::SUCCESS;
        }
        if ($input->getOption('check') === true) {
            $output->writeln('contract/record.schema.json is not current: run bin/console footnote:schema.');

            return self::FAILURE;
        }
        file_put_contents($path, $schema);
        $output->writeln('contract/record.schema.json was written.');

        return self::SUCCESS;
    }

    public static function written(Formats $families): string
    {
        $flags = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR;

        return json_encode((new RecordSchema($families))->schema(), $flags)."\n";
    }
}
