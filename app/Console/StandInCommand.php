<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\Formats;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandIns;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints what a simulated instrument would: one line of JSON for each reading (docs/formats.md). */
#[AsCommand('footnote:stand-in', 'Prints the readings of a simulated instrument as lines of JSON; needs no database.')]
final class StandInCommand extends Command
{
    public function __construct(private readonly Formats $families, private readonly ClockInterface $clock)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $kinds = implode(', ', array_map(static fn (StandIn $one): string => $one->id(), StandIns::of($this->families)));
        $this->addArgument('kind', InputArgument::REQUIRED, 'one of: '.$kinds)
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'the same seed prints the same readings', '1')
            ->addOption('fault', null, InputOption::VALUE_REQUIRED, 'something that is wrong with it')
            ->addOption('seconds', null, InputOption::VALUE_REQUIRED, 'how long it is read', '60')
            ->addOption('speed', null, InputOption::VALUE_REQUIRED, 'how many times as fast as time passes; 0: at once', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $numbers = [];
        foreach (['seed', 'seconds', 'speed'] as $name) {
            $value = $input->getOption($name);
            if (!\is_string($value) || preg_match('/^\d{1,9}$/D', $value) !== 1) {
                $output->writeln(\sprintf('<error>--%s is a whole number from 0 to 999999999.</error>', $name));

                return Command::INVALID;
            }
            $numbers[$name] = (int) $value;
        }
        $fault = $input->getOption('fault');
        $from = $this->clock->now();
        try {
            $fault = \is_string($fault) ? $fault : null;
            $lines = $this->standIn($input->getArgument('kind'))?->exercise($from, $numbers['seed'], $fault)->lines();
        } catch (NoSuchFault $problem) {
            $output->writeln('<error>'.$problem->getMessage().'</error>');

            return Command::INVALID;
        }
        if ($lines === null) {
            foreach (StandIns::of($this->families) as $known) {
                $faults = implode(', ', array_map(static fn (Fault $one): string => $one->id, $known->faults()));
                $output->writeln(\sprintf('%s: %s. Faults: %s.', $known->id(), $known->title(), $faults));
            }

            return Command::INVALID;
        }
        $told = 0.0;
        foreach ($lines as $line) {
            $when = Span::secondsBetween($from, $line->at);
            if ($when > $numbers['seconds']) {
                break;
            }
            if ($numbers['speed'] > 0 && $when > $told) {
                $this->clock->sleep(($when - $told) / $numbers['speed']);
                $told = $when;
            }
            $output->writeln($line->json(), OutputInterface::OUTPUT_RAW);
        }

        return Command::SUCCESS;
    }

    private function standIn(mixed $id): ?StandIn
    {
        foreach (StandIns::of($this->families) as $standIn) {
            if ($standIn->id() === $id) {
                return $standIn;
            }
        }

        return null;
    }
}
