<?php

declare(strict_types=1);

namespace Footnote\App\Errands;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What takes long is done beside the requests, in a process of its own that goes on when the request has ended; how far each is, anybody
 * may ask. What is told lies in files: nothing that could not be done again.
 *
 * @phpstan-type State array{state: string, what: string, done: int, of: int, words: string}
 */
final readonly class Errands
{
    public const RUNNING = 'running';
    public const WAITING = 'waiting';
    public const DONE = 'done';
    public const FAILED = 'failed';

    private const NONE = ['state' => 'none', 'what' => '', 'done' => 0, 'of' => 0, 'words' => ''];
    /** So long a process may take to begin, s. */
    private const PATIENCE = 30;
    /** What lies longer is forgotten, s. */
    private const KEPT = 7 * 86400;

    /** @param bool $starts false where nothing is to run beside: in tests, which hold their logbook in a transaction */
    public function __construct(
        #[Autowire('%env(resolve:FOOTNOTE_DATA)%/beside')]
        private string $folder,
        private string $projectDir,
        #[Autowire('%footnote.press%')]
        private bool $starts,
    ) {
    }

    /**
     * Begins it, unless it goes on already.
     *
     * @param list<string> $command of the console, which calls run()
     */
    public function start(string $name, array $command): void
    {
        if ($this->state($name)['state'] === self::RUNNING) {
            return;
        }
        $this->tell($name, [...self::NONE, 'state' => self::WAITING]);
        if (!$this->starts) {
            return;
        }
        $process = ConsoleProcess::of($this->projectDir, $command);
        // It is not ended with the request.
        $process->setOptions(['create_new_console' => true]);
        $process->disableOutput();
        $process->start();
    }

    /**
     * To be called by the process of its own. Where another does the same, that one does it.
     *
     * @param \Closure(\Closure(string, int, int): void): void $do is handed what tells how far it is: what was done, how many, of how many
     */
    public function run(string $name, \Closure $do): void
    {
        $lock = fopen($this->path($name).'.lock', 'c');
        if ($lock === false || !flock($lock, \LOCK_EX | \LOCK_NB)) {
            return;
        }
        $state = [...self::NONE, 'state' => self::RUNNING];
        $this->tell($name, $state);
        try {
            $do(function (string $what, int $done, int $of) use ($name, &$state): void {
                $state = [...$state, 'what' => $what, 'done' => $done, 'of' => $of];
                $this->tell($name, $state);
            });
            $this->tell($name, [...$state, 'state' => self::DONE]);
        } catch (\Throwable $problem) {
            $words = $problem instanceof TellsWhy ? $problem->getMessage() : 'The program failed; its log says where.';
            $this->tell($name, [...$state, 'state' => self::FAILED, 'words' => $words]);
            throw $problem;
        } finally {
            flock($lock, \LOCK_UN);
            fclose($lock);
        }
    }

    /** @return State none, waiting, running, done or failed; how much is done, of how much */
    public function state(string $name): array
    {
        $path = $this->path($name);
        $told = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;
        if (!\is_array($told)) {
            return self::NONE;
        }
        /** @var State $state */
        $state = [...self::NONE, ...$told];
        $isLost = match ($state['state']) {
            self::RUNNING => !$this->isHeld($path.'.lock'),
            self::WAITING => (int) @filemtime($path) < time() - self::PATIENCE,
            default => false,
        };

        return !$isLost ? $state : [
            ...$state,
            'state' => self::FAILED,
            'words' => 'It was broken off: the process that did it has ended. It can be begun again.',
        ];
    }

    /** A file of an errand. @param string $name of letters, digits, points and hyphens */
    public function path(string $name): string
    {
        if (preg_match('/^[A-Za-z0-9.-]+$/D', $name) !== 1) {
            throw new \LogicException('No name of a file: '.$name);
        }
        if (!is_dir($this->folder) && !@mkdir($this->folder, 0o700, true) && !is_dir($this->folder)) {
            throw new \RuntimeException('The folder for what is done beside could not be made.');
        }

        return $this->folder.'/'.$name;
    }

    /**
     * Lays a file down that is whole or not there: until it is, it lies beside.
     *
     * @template T
     *
     * @param \Closure(string): T $write to the path that it is handed
     *
     * @return T what came of it
     */
    public function lay(string $path, \Closure $write): mixed
    {
        $beside = \sprintf('%s.%s', $path, bin2hex(random_bytes(6)));
        try {
            $came = $write($beside);
            rename($beside, $path);

            return $came;
        } finally {
            if (is_file($beside)) {
                unlink($beside);
            }
        }
    }

    /** What nobody has looked at for long goes. */
    public function tidy(): void
    {
        $files = glob($this->folder.'/*');
        foreach ($files === false ? [] : $files as $file) {
            if (is_file($file) && @filemtime($file) < time() - self::KEPT) {
                @unlink($file);
            }
        }
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
    private function tell(string $name, array $state): void
    {
        $told = json_encode($state, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        $this->lay($this->path($name), static fn (string $path) => file_put_contents($path, $told));
    }
}
