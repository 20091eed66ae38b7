<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Paper\PrintFailed;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;

/**
 * Prints beside the requests, in a process of its own that goes on when the request has ended, and knows how far each is.
 *
 * @phpstan-type State array{state: string, what: string, done: int, of: int, words: string}
 */
final readonly class Press
{
    /** @param bool $starts false where nothing is to run beside: in tests, which hold their logbook in a transaction */
    public function __construct(
        private ReportFolder $folder,
        private PrintEdition $print,
        private string $projectDir,
        #[Autowire('%footnote.press%')]
        private bool $starts,
    ) {
    }

    public function start(string $report, ?int $edition, PaperSize $paper): void
    {
        if ($this->state($report, $edition, $paper)['state'] === 'running') {
            return;
        }
        $this->tell($report, $edition, $paper, ['state' => 'waiting', 'what' => '', 'done' => 0, 'of' => 0, 'words' => '']);
        if (!$this->starts) {
            return;
        }
        $process = new Process([
            \PHP_BINARY,
            $this->projectDir.'/tools/console.php',
            '--no-interaction',
            'footnote:report:print',
            $report,
            $paper->value,
            ...($edition === null ? [] : ['--edition='.$edition]),
        ], $this->projectDir, timeout: null);
        // It is not ended with the request.
        $process->setOptions(['create_new_console' => true]);
        $process->disableOutput();
        $process->start();
    }

    /**
     * To be called by the process of its own. Where another prints the same, that one does it.
     *
     * @throws PrintFailed
     */
    public function run(string $report, ?int $edition, PaperSize $paper): void
    {
        $lock = fopen($this->path($report, $edition, $paper).'.lock', 'c');
        if ($lock === false || !flock($lock, \LOCK_EX | \LOCK_NB)) {
            return;
        }
        $state = ['state' => 'running', 'what' => 'written', 'done' => 0, 'of' => 0, 'words' => ''];
        $this->tell($report, $edition, $paper, $state);
        try {
            $tell = fn (string $what, int $done, int $of) => $this->tell(
                $report,
                $edition,
                $paper,
                [...$state, 'what' => $what, 'done' => $done, 'of' => $of],
            );
            ($this->print)($report, $edition, $paper, $tell);
            $this->tell($report, $edition, $paper, [...$state, 'state' => 'done']);
        } catch (\Throwable $problem) {
            $words = $problem instanceof PrintFailed ? $problem->getMessage() : 'The program failed; its log says where.';
            $this->tell($report, $edition, $paper, [...$state, 'state' => 'failed', 'words' => $words]);
            throw $problem;
        } finally {
            flock($lock, \LOCK_UN);
            fclose($lock);
        }
    }

    /** @return State none, waiting, running, done or failed; how many results are written or printed, of how many */
    public function state(string $report, ?int $edition, PaperSize $paper): array
    {
        $path = $this->path($report, $edition, $paper);
        $told = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;
        $none = ['state' => 'none', 'what' => '', 'done' => 0, 'of' => 0, 'words' => ''];
        if (!\is_array($told)) {
            return $none;
        }
        /** @var State $state */
        $state = [...$none, ...$told];
        $since = time() - (int) @filemtime($path);
        if ($state['state'] === 'running' && !$this->isHeld($path.'.lock')
            || $state['state'] === 'waiting' && $since > 30) {
            $words = 'Printing was broken off: the process that did it has ended. It can be begun again.';

            return [...$state, 'state' => 'failed', 'words' => $words];
        }

        return $state;
    }

    private function isHeld(string $lock): bool
    {
        $file = @fopen($lock, 'c');
        if ($file === false) {
            return false;
        }
        $free = flock($file, \LOCK_EX | \LOCK_NB);
        fclose($file);

        return !$free;
    }

    /** @param State $state */
    private function tell(string $report, ?int $edition, PaperSize $paper, array $state): void
    {
        $path = $this->path($report, $edition, $paper);
        $beside = $this->folder->beside($path);
        file_put_contents($beside, json_encode($state, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
        rename($beside, $path);
    }

    private function path(string $report, ?int $edition, PaperSize $paper): string
    {
        return $this->folder->path(\sprintf('%s.%s.%s.state', $report, $edition === null ? 'draft' : 'edition-'.$edition, $paper->value));
    }
}
