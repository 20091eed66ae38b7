<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Equation;
use PHPUnit\Framework\TestCase;

/** The page of methods names every equation as the code does. */
final class MethodsTest extends TestCase
{
    public function testEveryEquationStandsInTheMethods(): void
    {
        $page = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/methods.md');
        foreach (self::equations() as $equation) {
            self::assertStringContainsString(
                \sprintf(
                    '| %s | %s | %s | %s |',
                    $equation->id(),
                    str_replace('|', '\|', $equation->expression()),
                    $equation->source(),
                    $equation->mark()->value,
                ),
                $page,
            );
        }
    }

    /** @return non-empty-list<Equation> of every room of the core, found as its files lie */
    private static function equations(): array
    {
        $core = \dirname(__DIR__, 2).'/core/';
        $equations = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($core, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $path = $file instanceof \SplFileInfo ? $file->getPathname() : '';
            $class = 'Footnote\Core\\'.strtr(substr($path, \strlen($core), -4), '/', '\\');
            if (str_ends_with($path, 'Equation.php') && enum_exists($class) && is_subclass_of($class, Equation::class)) {
                array_push($equations, ...$class::cases());
            }
        }
        self::assertGreaterThan(40, \count($equations));

        return array_values(array_filter($equations, static fn (object $one): bool => $one instanceof Equation));
    }
}
