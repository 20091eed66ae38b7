<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use PHPUnit\Framework\TestCase;

/** No room and no file of the core stands in a circle: each can be read after those that it names. */
final class HouseTest extends TestCase
{
    public function testRoomsOfTheCorePointOneWay(): void
    {
        self::assertSame([], House::circles(self::core(House::read(\dirname(__DIR__, 2))->rooms())));
    }

    public function testFilesOfTheCorePointOneWay(): void
    {
        $arrows = self::core(House::read(\dirname(__DIR__, 2))->files());
        self::assertGreaterThan(300, \count($arrows));
        foreach (House::circles($arrows) as $circle) {
            // A value and the exception that says what was wrong with it name each other.
            $exceptions = array_filter($circle, static fn (string $file): bool => is_subclass_of(
                'Footnote\Core'.strtr(substr($file, \strlen('core'), -4), '/', '\\'),
                \Throwable::class,
            ));
            self::assertSame([2, 1], [\count($circle), \count($exceptions)], implode(' and ', $circle).' name each other.');
        }
    }

    public function testACircleIsFound(): void
    {
        self::assertSame(
            [['b', 'c']],
            House::circles(['a' => ['b'], 'b' => ['c'], 'c' => ['b', 'd'], 'd' => []]),
        );
    }

    /**
     * @param array<string, list<string>> $arrows
     *
     * @return array<string, list<string>>
     */
    private static function core(array $arrows): array
    {
        return array_filter($arrows, static fn (string $place): bool => str_starts_with($place, 'core'), \ARRAY_FILTER_USE_KEY);
    }
}
