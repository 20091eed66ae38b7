<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Console\Outlet\LocalPort;
use Footnote\App\Console\Outlet\Outlet;
use Footnote\App\Console\Outlet\Printed;
use Footnote\App\Console\Outlet\Terminal;
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

/**
 * Prints what a simulated instrument would, or serves it to another process: one line of JSON for each reading (docs/formats.md).
 */
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
            ->addOption('to', null, InputOption::VALUE_REQUIRED, 'terminal, or the number of a local port; else they are printed')
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
        try {
            $outlet = $this->outlet($input->getOption('to'), $output);
        } catch (\RuntimeException $problem) {
            $output->writeln('<error>'.$problem->getMessage().'</error>');

            return Command::FAILURE;
        }
        if ($outlet === null) {
            $output->writeln('<error>--to is "terminal", or a port from 1024 to 65535.</error>');

            return Command::INVALID;
        }
        if ($outlet->opened() !== '') {
            $output->writeln($outlet->opened(), OutputInterface::OUTPUT_RAW);
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
            if (!$outlet->write($line->json())) {
                break;
            }
        }

        return Command::SUCCESS;
    }

    private function outlet(mixed $to, OutputInterface $output): ?Outlet
    {
        return match (true) {
            $to === null => new Printed($output),
            $to === 'terminal' => new Terminal(),
            \is_string($to) && preg_match('/^\d{4,5}$/D', $to) === 1 && (int) $to >= 1024 && (int) $to <= 65535 => new LocalPort((int) $to),
            default => null,
        };
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
