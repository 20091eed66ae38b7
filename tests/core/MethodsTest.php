<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Families;
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

    /** @return list<Equation> of every room of the core */
    public static function equations(): array
    {
        $equations = [];
        foreach (array_keys(House::read(\dirname(__DIR__, 2))->files()) as $file) {
            $class = 'Footnote\Core'.strtr(substr($file, \strlen('core'), -4), '/', '\\');
            foreach (str_ends_with($file, 'Equation.php') && enum_exists($class) ? $class::cases() : [] as $case) {
                $equations = $case instanceof Equation ? [...$equations, $case] : $equations;
            }
        }
        self::assertGreaterThan(180, \count($equations));
        $ids = static fn (Equation ...$all): array => array_map(static fn (Equation $one): string => $one->id(), $all);
        self::assertEqualsCanonicalizing($ids(...$equations), $ids(...Families::catalogue()->equations), 'the catalogue has them all');

        return $equations;
    }
}
