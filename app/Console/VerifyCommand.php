<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Journal\Anchor;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Journal\Journal;
use Footnote\App\Journal\UnreadableAnchor;
use Footnote\App\Logbook\ProjectionCheck;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:journal:verify', 'Walks the journal, holds every row of evidence against it, and says what does not hold.')]
final class VerifyCommand extends Command
{
    /** So many faults are told; whoever has more looks at the first ones first. */
    private const TOLD = 50;

    public function __construct(
        private readonly Journal $journal,
        private readonly EvidenceCheck $evidence,
        private readonly ProjectionCheck $projections,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('anchor', null, InputOption::VALUE_REQUIRED, 'a file of lines that footnote:journal:anchor wrote')
            ->addOption('all', null, InputOption::VALUE_NONE, 'also makes again what is made of evidence; nobody writes meanwhile');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $anchors = $input->getOption('anchor');
        $cut = \is_string($anchors) ? $this->against($anchors) : null;
        if ($cut !== null) {
            $output->writeln(\sprintf('<error>The journal does not hold: %s.</error>', $cut));

            return self::FAILURE;
        }
        $found = $this->journal->verify();
        if ($found['fault'] === null) {
            $since = $this->evidence->since();
            $output->writeln(\sprintf('The journal holds: %d entries.', $found['entries']));
            $output->writeln(
                $since === null
                    ? 'No row of evidence is bound yet: those that there are will be, at the next use.'
                    : \sprintf('Every row of evidence is as the journal says; rows are bound from entry %d on.', $since),
            );

            return $input->getOption('all') === true ? $this->made($output) : self::SUCCESS;
        }
        $output->writeln(
            \sprintf('<error>The journal does not hold: %s. %d entries before it hold.</error>', $found['fault'], $found['entries']),
        );
        $told = 0;
        foreach ($this->evidence->faults() as $fault) {
            if (++$told > self::TOLD) {
                $output->writeln('And more.');
                break;
            }
            $output->writeln($fault.'.');
        }

        return self::FAILURE;
    }

    /** What is made of evidence, made again. */
    private function made(OutputInterface $output): int
    {
        $faults = $this->projections->faults();
        foreach (\array_slice($faults, 0, self::TOLD) as $fault) {
            $output->writeln('<error>'.ucfirst($fault).'.</error>');
        }
        $output->writeln($faults === []
            ? 'What was worked out of it is what the evidence says.'
            : \sprintf('%d things that were worked out are not what the evidence says.', \count($faults)));

        return $faults === [] ? self::SUCCESS : self::FAILURE;
    }

    /** What the first anchor says that the chain does not hold; null where it holds all of them. */
    private function against(string $file): ?string
    {
        $lines = @file($file, \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES);
        if ($lines === false || $lines === []) {
            return \sprintf('%s holds no anchor', $file);
        }
        foreach ($lines as $place => $line) {
            try {
                $fault = $this->journal->against(Anchor::read($line));
            } catch (UnreadableAnchor) {
                return \sprintf('line %d of %s is no anchor', $place + 1, $file);
            }
            if ($fault !== null) {
                return $fault;
            }
        }

        return null;
    }
}
