<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\Expression\Expression;
use Footnote\Core\Derivation\Expression\UnreadableExpression;
use Footnote\Core\Families;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\RecordReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every symbol of an equation is an input of the figure that names it, and every input is in the equation. */
final class FootnotesCloseTest extends TestCase
{
    public function testEveryEquationReadsAndPrintsItself(): void
    {
        $ids = [];
        foreach (MethodsTest::equations() as $equation) {
            self::assertNotContains($equation->id(), $ids, 'one identifier, one equation');
            $ids[] = $equation->id();
            $expression = Expression::of($equation->expression());
            self::assertSame($equation->expression(), $expression->text());
            self::assertStringNotContainsString('&lt;', $expression->mathml(), $equation->id());
            $document = new \DOMDocument();
            self::assertTrue(
                $document->loadXML('<math>'.str_replace(['&#x2061;', '&#x2062;'], ' ', $expression->mathml()).'</math>'),
                $equation->id().' is well-formed',
            );
            self::assertGreaterThan(0, (new \DOMXPath($document))->query('//*[@data-slot]')->length ?? 0);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function unreadable(): iterable
    {
        yield 'a bracket that does not close' => ['x = (a + b', '(a + b'];
        yield 'nothing after a sign' => ['x = a +', '+'];
        yield 'a sign that is none' => ['x = a % b', '% b'];
    }

    #[DataProvider('unreadable')]
    public function testWhatIsNoExpressionIsRefused(string $written, string $rest): void
    {
        $this->expectException(UnreadableExpression::class);
        Expression::of($written)->text();
    }

    /** Terms as they are typeset: products, fractions without their brackets, powers, roots, rows. */
    public function testAnEquationIsTypeset(): void
    {
        $mathml = Expression::of('c = (m − b)/(DE·V)')->mathml();
        self::assertStringContainsString('<mfrac>', $mathml);
        self::assertStringNotContainsString('<mo>(</mo>', $mathml, 'the bar holds them together');
        self::assertSame(['c', 'm', 'b', 'DE', 'V'], Expression::of('c = (m − b)/(DE·V)')->symbols());
        self::assertSame('T_i', Expression::symbolOf('T_i₁₂'));
        self::assertSame('u₂', Expression::symbolOf('u₂'), 'a symbol of one figure is its own');
        self::assertStringContainsString('<msqrt>', Expression::of('U = 1.65·√(u₂² + u₃²)')->mathml());
        self::assertStringContainsString('data-series', Expression::of('S = Σ c_i/L_i')->mathml());
        self::assertSame(['L', 'L_ind', 't_i', 'o_i', 'a_j', 'b_j'], Expression::of(
            'L = L_ind + 10 lg(avg(10^(−line(τ; t_i, o_i)/10); a_j, b_j))',
        )->symbols(), 'the moment that runs is no input');
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 30; ++$seed) {
            yield (string) $seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testEveryInputHasItsSymbol(int $seed): void
    {
        $symbols = [];
        foreach (MethodsTest::equations() as $equation) {
            $symbols['='.$equation->id()] = self::inputs($equation);
        }
        $checked = 0;
        foreach (self::figures($seed) as [, $figure]) {
            $equation = $figure['equation'];
            if (!\is_array($equation) || !\is_string($equation['id'])) {
                self::assertNotNull($figure['origin'], 'what is not worked out comes from somewhere');
                continue;
            }
            $slots = \is_array($figure['as'] ?? null) ? array_filter($figure['as'], \is_string(...)) : [];
            self::assertCount(\count($slots), array_unique($slots), 'equal symbols carry an index');
            $given = array_unique(array_map(Expression::symbolOf(...), $slots));
            $wanted = $symbols['='.$equation['id']];
            self::assertSame([], array_values(array_diff($given, $wanted)), $equation['id'].': every input is in the equation');
            self::assertSame(
                [],
                array_values(array_filter(
                    array_diff($wanted, $given),
                    static fn (string $symbol): bool => preg_match('/^(C|m|L|W|N)_[ij]$/', $symbol) !== 1,
                )),
                $equation['id'].': every symbol is an input, but for a row that may be empty',
            );
            ++$checked;
        }
        self::assertGreaterThan(0, $checked);
    }

    /** A figure stands once: no two rows of an assessment say the same. */
    #[DataProvider('seeds')]
    public function testAFigureStandsOnce(int $seed): void
    {
        $seen = [];
        foreach (self::figures($seed) as [$run, $figure]) {
            unset($figure['id']);
            $says = json_encode($figure, \JSON_THROW_ON_ERROR);
            self::assertNotContains($says, $seen[$run] ?? []);
            $seen[$run][] = $says;
        }
        self::assertNotSame([], $seen);
    }

    /**
     * What an equation is worked out with: its symbols but for the one it is an equation for.
     *
     * @return list<string>
     */
    private static function inputs(Equation $equation): array
    {
        $symbols = Expression::of($equation->expression())->symbols();
        // An equation that cannot be solved by itself stands as it is: what it is for is on its right side.
        $solved = match ($equation->id()) {
            'N-10q', 'N-10r' => 'o*',
            'P-4a' => 'N',
            'P-4b' => 'N_most',
            default => $symbols[0],
        };

        return array_values(array_diff($symbols, [$solved]));
    }

    /** @return list<array{string, array<array-key, mixed>}> run and row */
    private static function figures(int $seed): array
    {
        $folder = sys_get_temp_dir().'/footnote-'.bin2hex(random_bytes(6));
        mkdir($folder, 0700);
        try {
            (new RandomRecords($seed))->write($folder);
            $record = json_decode((string) file_get_contents($folder.'/record.json'), true, 64, \JSON_THROW_ON_ERROR);
            $campaign = (new RecordReader(Families::formats()))->read(
                $record,
                static fn (string $name): LogFile => LogFile::ofText($name, (string) file_get_contents($folder.'/'.$name)),
            );
        } finally {
            foreach (new \FilesystemIterator($folder) as $file) {
                \assert($file instanceof \SplFileInfo);
                unlink($file->getPathname());
            }
            rmdir($folder);
        }
        $shifts = new ShiftAssessor(Families::assessor(), Scene::policy('standard'), $campaign->yardsticks);
        $figures = [];
        foreach ($campaign->timelines as $timeline) {
            foreach ($timeline->runs() as $run) {
                $told = (new AssessmentWriter())->write($shifts->assess($run, $timeline, $campaign->shiftOf($run)));
                foreach (\is_array($told['figures']) ? $told['figures'] : [] as $figure) {
                    if (\is_array($figure)) {
                        $figures[] = [$run->id, $figure];
                    }
                }
            }
        }

        return $figures;
    }
}
