<?php

declare(strict_types=1);

namespace Footnote\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Config\Resource\DirectoryResource;
use Symfony\Component\DependencyInjection\ContainerBuilder;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    public function getProjectDir(): string
    {
        return \dirname(__DIR__);
    }

    /** What was worked out counts only while it is of this release: the digest of all that judges and shows. */
    protected function build(ContainerBuilder $container): void
    {
        $files = [];
        foreach (['core', 'app'] as $folder) {
            $path = $this->getProjectDir().'/'.$folder;
            $container->addResource(new DirectoryResource($path));
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($path, \FilesystemIterator::SKIP_DOTS)) as $file) {
                if ($file instanceof \SplFileInfo) {
                    $name = substr($file->getPathname(), \strlen($path));
                    $files[] = $folder.$name.' '.hash_file('sha256', $file->getPathname());
                }
            }
        }
        sort($files);
        $container->setParameter('footnote.release', hash('sha256', implode("\n", $files)));
    }
}
