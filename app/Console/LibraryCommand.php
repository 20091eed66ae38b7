<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\ShippedPolicies;
use Footnote\Core\Record\Formats;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints what comes with a release and may stand under a figure without being in the record. */
#[AsCommand('footnote:library', 'Prints the criteria, limits, library entries and policies that come with Footnote, as JSON.')]
final class LibraryCommand extends Command
{
    public function __construct(private readonly Formats $formats, private readonly ShippedPolicies $policies)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $shelves = [];
        foreach ($this->formats->shelves() as $shelf) {
            $shelves[$shelf->id] = $shelf->shipped;
        }
        $output->writeln(
            json_encode(
                [
                    'format' => 'footnote-library/1',
                    ...$this->formats->shipped(),
                    'library' => $shelves,
                    'policies' => array_values($this->policies->all()),
                ],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRETTY_PRINT,
            ),
        );

        return Command::SUCCESS;
    }
}
