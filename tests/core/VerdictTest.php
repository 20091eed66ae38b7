<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What single results come to when a person overrules what was proposed for their run (own rule). */
final class VerdictTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> own verdict, proposed for the run, decided, what it comes to */
    public static function overruled(): iterable
    {
        yield 'what the proposal rested on is lifted' => ['qualified', 'qualified', 'valid', 'valid'];
        yield 'what was better stays' => ['valid', 'qualified', 'valid', 'valid'];
        yield 'a corrected number stays corrected' => ['corrected', 'qualified', 'valid', 'corrected'];
        yield 'what was void by itself is not lifted with the rest' => ['void', 'qualified', 'valid', 'void'];
        yield 'what is open is not lifted' => ['open', 'qualified', 'valid', 'open'];
        yield 'a worse verdict covers every result' => ['valid', 'valid', 'qualified', 'qualified'];
        yield 'also those that were better' => ['valid', 'qualified', 'void', 'void'];
        yield 'and leaves what was worse' => ['void', 'valid', 'qualified', 'void'];
    }

    #[DataProvider('overruled')]
    public function testAnOverrulingLiftsOnlyWhatItWasAbout(string $own, string $proposed, string $decided, string $comesTo): void
    {
        self::assertSame($comesTo, Verdict::from($own)->overruled(Verdict::from($proposed), Verdict::from($decided))->value);
    }
}
