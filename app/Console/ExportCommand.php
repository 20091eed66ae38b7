<?php

declare(strict_types=1);

namespace Footnote\App\Console;

use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('footnote:export', 'Writes a campaign as a record with its logs into a folder.')]
final class ExportCommand extends Command
{
    public function __construct(private readonly CampaignRecord $exporter)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('campaign', InputArgument::REQUIRED, 'code of the campaign')
            ->addArgument('folder', InputArgument::REQUIRED, 'a folder that does not exist yet');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $campaign = $input->getArgument('campaign');
        $folder = $input->getArgument('folder');
        if (!\is_string($campaign) || !\is_string($folder) || file_exists($folder)) {
            $output->writeln('The folder exists already; nothing was written.');

            return self::INVALID;
        }
        try {
            $record = $this->exporter->export($campaign, static function (string $name, string $content) use ($folder): void {
                $path = $folder.'/'.$name;
                if (!is_dir(\dirname($path))) {
                    mkdir(\dirname($path), 0o755, true);
                }
                file_put_contents($path, $content);
            });
        } catch (Problem $problem) {
            $output->writeln($problem->getMessage());

            return self::INVALID;
        }
        $output->writeln(\sprintf('Wrote %d runs to %s.', \count(Cells::rows($record, 'runs')), $folder));

        return self::SUCCESS;
    }
}
