<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Where drafts lie that were made already, and what is just being printed: nothing that could not be made again. */
final readonly class ReportFolder
{
    /** What lies longer is forgotten, s. */
    private const KEPT = 7 * 86400;

    public function __construct(#[Autowire('%env(resolve:FOOTNOTE_DATA)%/reports')] private string $folder)
    {
    }

    /** @param string $name of letters, digits, points and hyphens */
    public function path(string $name): string
    {
        if (preg_match('/^[A-Za-z0-9.-]+$/D', $name) !== 1) {
            throw new \LogicException('No name of a file: '.$name);
        }
        if (!is_dir($this->folder) && !@mkdir($this->folder, 0o700, true) && !is_dir($this->folder)) {
            throw new \RuntimeException('The folder for drafts could not be made.');
        }

        return $this->folder.'/'.$name;
    }

    /** Another that lies beside it until it is whole. */
    public function beside(string $path): string
    {
        return \sprintf('%s.%s', $path, bin2hex(random_bytes(6)));
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
}
