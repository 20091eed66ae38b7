<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Symfony\Component\DependencyInjection\Attribute\Exclude;
use Symfony\Component\Filesystem\Filesystem;

/** A folder for what lies somewhere meanwhile: read by nobody else, and gone with whatever holds it. */
#[Exclude]
final class ScratchFolder
{
    public readonly string $path;

    /** @param string $for what it is for, as a part of its name */
    public function __construct(string $for)
    {
        $this->path = sys_get_temp_dir().'/footnote-'.$for.'-'.bin2hex(random_bytes(8));
        if (!mkdir($this->path, 0o700)) {
            throw new \RuntimeException('No temporary folder could be made.');
        }
    }

    public function __destruct()
    {
        (new Filesystem())->remove($this->path);
    }
}
