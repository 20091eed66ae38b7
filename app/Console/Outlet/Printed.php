<?php

declare(strict_types=1);

namespace Footnote\App\Console\Outlet;

use Symfony\Component\Console\Output\OutputInterface;

/** Lines that are printed. */
final readonly class Printed implements Outlet
{
    public function __construct(private OutputInterface $output)
    {
    }

    public function opened(): string
    {
        return '';
    }

    public function write(string $line): bool
    {
        $this->output->writeln($line, OutputInterface::OUTPUT_RAW);

        return true;
    }
}
