<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Errands\Errands;
use Footnote\App\Refusal\Problem;

/**
 * Packs beside the requests, and knows how far each package is. A package tells of the moment at which it was made.
 *
 * @phpstan-import-type State from Errands
 */
final readonly class Packer
{
    /** What the process of its own is called by. */
    public const COMMAND = 'footnote:package';

    public function __construct(private Errands $errands, private Packing $packing)
    {
    }

    public function start(Wanted $wanted): void
    {
        $this->errands->start($wanted->name(), [
            self::COMMAND,
            $wanted->campaign,
            ...($wanted->report === '' ? [] : ['--report='.$wanted->report]),
            ...($wanted->files ? [] : ['--without-files']),
        ]);
    }

    /**
     * To be called by the process of its own.
     *
     * @throws PackingFailed
     */
    public function run(Wanted $wanted): void
    {
        $this->errands->run($wanted->name(), function (\Closure $progress) use ($wanted): void {
            $this->errands->tidy();
            try {
                $this->errands->lay(
                    $this->path($wanted),
                    fn (string $path): int => $this->packing->zip($wanted, $path, $progress),
                );
            } catch (Problem $problem) {
                throw new PackingFailed($problem);
            }
        });
    }

    /** @return State */
    public function state(Wanted $wanted): array
    {
        return $this->errands->state($wanted->name());
    }

    /** Where it lies when it is packed. */
    public function path(Wanted $wanted): string
    {
        return $this->errands->path($wanted->name().'.zip');
    }
}
