<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
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

    /** Only what is honestly about air knows its family: laboratory and sampling plan. */
    public function testNoFamilyIsKnownInTheApplication(): void
    {
        $rooms = '~^core/('.implode('|', [...self::families(), 'Noise']).')/~';
        foreach (House::read(\dirname(__DIR__, 2))->files() as $file => $named) {
            if (preg_match('~^app/(?!.*(?:Laboratory|Planning))~', $file) === 1) {
                self::assertSame([], preg_grep($rooms, $named), $file.' stands in no family\'s room.');
                self::assertDoesNotMatchRegularExpression(self::names(), (string) file_get_contents(\dirname(__DIR__, 2).'/'.$file), $file);
            }
        }
    }

    /** A screen renders what a family declares; only its pictures know one. */
    public function testNoFamilyIsKnownOnScreens(): void
    {
        $looked = 0;
        $source = \dirname(__DIR__, 2).'/web/src';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($source, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $path = $file instanceof \SplFileInfo ? $file->getPathname() : '';
            if (preg_match('~(?<!\.test)\.tsx?$~', $path) === 1 && preg_match('~/(pictures|tests)/|/api/contract\.ts$~', $path) !== 1) {
                $code = (string) file_get_contents($path);
                self::assertDoesNotMatchRegularExpression(self::names(), $code, substr($path, \strlen($source)));
                ++$looked;
            }
        }
        self::assertGreaterThan(60, $looked);
    }

    /** Http and Console ask actions, actions the logbook, the logbook who may and what is kept; nothing the other way. */
    public function testRoomsOfTheApplicationPointOneWay(): void
    {
        $floors = [
            ['Http', 'Console'],
            ['Kit', 'Bench', 'Runs', 'Campaigns', 'Judgement', 'Laboratory', 'Record', 'Report'],
            ['Logbook'],
            ['Journal', 'Access'],
            ['Storage'],
            ['Refusal'],
        ];
        $floor = [];
        foreach ($floors as $height => $rooms) {
            $floor += array_fill_keys(array_map(static fn (string $room): string => 'app/'.$room, $rooms), $height);
        }
        $house = House::read(\dirname(__DIR__, 2));
        self::assertSame([], House::circles($house->rooms()));
        foreach ($house->files() as $from => $to) {
            $own = implode('/', \array_slice(explode('/', $from), 0, 2));
            foreach ($to as $named) {
                $other = implode('/', \array_slice(explode('/', $named), 0, 2));
                if ($own !== $other && isset($floor[$own], $floor[$other])) {
                    self::assertLessThanOrEqual($floor[$other], $floor[$own], $from.' names '.$named);
                }
            }
        }
    }

    /** Readers and the writers beside them ask the database; actions, screens and the console ask them. */
    public function testOnlyTheLogbookSpeaksSql(): void
    {
        $root = \dirname(__DIR__, 2);
        foreach (array_keys(House::read($root)->files()) as $file) {
            if (preg_match('~^app/(?!Logbook/|Journal/|Access/|Storage/|Backup/|Migrations/)~', $file) === 1) {
                $code = (string) file_get_contents($root.'/'.$file);
                self::assertDoesNotMatchRegularExpression('~DBAL\\\\Connection|[\'"](?:SELECT|INSERT|UPDATE|DELETE) ~', $code, $file);
            }
        }
    }

    /** The sniffer overlooks a comment that stands on one line. */
    public function testLinesAreAsLongAsAPersonReads(): void
    {
        $root = \dirname(__DIR__, 2);
        foreach (array_keys(House::read($root)->files()) as $file) {
            $lines = file($root.'/'.$file, \FILE_IGNORE_NEW_LINES);
            self::assertIsArray($lines);
            $long = array_filter($lines, static fn (string $line): bool => mb_strlen($line) > 140);
            self::assertSame([], $long, $file);
        }
    }

    /** A controller only translates: whatever is longer decides something. */
    public function testControllersAreThin(): void
    {
        $controllers = glob(\dirname(__DIR__, 2).'/app/Http/*/*Controller.php');
        self::assertGreaterThan(8, \count($controllers === false ? [] : $controllers));
        foreach ($controllers === false ? [] : $controllers as $file) {
            self::assertLessThanOrEqual(120, substr_count((string) file_get_contents($file), "\n"), basename($file));
        }
    }

    public function testThePictureOfTheRoomsIsCurrent(): void
    {
        $root = \dirname(__DIR__, 2);
        self::assertSame(
            RoomsPicture::svg(House::read($root)),
            file_get_contents($root.'/docs/rooms.svg'),
            'Run "php tools/rooms.php".',
        );
    }

    /** Two values set on one line hide each other, unless they trade places. */
    public function testEachLineSetsOneValue(): void
    {
        $root = \dirname(__DIR__, 2);
        foreach (array_keys(House::read($root)->files()) as $file) {
            $code = (string) file_get_contents($root.'/'.$file);
            preg_match_all('/^\s*\[\$\w++, (\$\w++)[^=]*\] = \[(?!\1\b).*$/m', $code, $found);
            self::assertSame([], $found[0], $file);
        }
    }

    /** In a named zone a relative time follows the wall clock over a change of it: time is shifted by Span, which counts it in UTC. */
    public function testTheCoreShiftsTimeInOnePlace(): void
    {
        $root = \dirname(__DIR__, 2);
        $shifting = array_filter(
            array_keys(House::read($root)->files()),
            static fn (string $file): bool => str_starts_with($file, 'core/')
                && preg_match(
                    '/->(?:modify|add|sub)\(\s*(?:\\\\?sprintf|[\'"]|\$seconds|new)/',
                    (string) file_get_contents($root.'/'.$file),
                ) === 1,
        );
        // The stamp of a log with the part of its second, as it was written.
        self::assertSame(['core/Log/LogReader.php', 'core/Quantity/Span.php'], array_values($shifting));
    }

    /** More than seven values in a row tell that a value is missing. */
    public function testAConstructorTakesSevenValuesAtMost(): void
    {
        $seen = 0;
        foreach (array_keys(House::read(\dirname(__DIR__, 2))->files()) as $file) {
            $class = 'Footnote\\Core\\'.strtr(substr($file, \strlen('core/'), -\strlen('.php')), '/', '\\');
            if (str_starts_with($file, 'core/') && class_exists($class)) {
                $taken = (new \ReflectionClass($class))->getConstructor()?->getNumberOfParameters() ?? 0;
                self::assertLessThanOrEqual(7, $taken, $class);
                $seen += $taken > 0 ? 1 : 0;
            }
        }
        self::assertGreaterThan(200, $seen);
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

    /** @return non-empty-list<string> the folders of the families, as the registry lists them */
    private static function families(): array
    {
        return array_values(array_unique(array_map(static fn (array $one): string => explode('\\', $one[0]::class)[2], Families::all())));
    }

    /** Identifiers of families, their rooms as types of the contract, and what their results are told apart by. */
    private static function names(): string
    {
        $ids = array_map(static fn (array $one): string => preg_quote($one[0]->id(), '~'), Families::all());
        $rooms = implode('|', [...self::families(), 'Noise']);

        return \sprintf('~%s|\b(?:%s)Family\b|kind\b[^\n]{0,8}[=!]==? \'(?:%s)\'~', implode('|', $ids), $rooms, strtolower($rooms));
    }
}
