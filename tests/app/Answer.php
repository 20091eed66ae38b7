<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use PHPUnit\Framework\Assert;

/** An answer of the API, read by paths such as "assessment.verdict" or "rows.0.run". */
final readonly class Answer
{
    public function __construct(public string $text)
    {
    }

    public function at(string $path): mixed
    {
        $value = json_decode($this->text, true, 64, \JSON_THROW_ON_ERROR);
        foreach (explode('.', $path) as $part) {
            Assert::assertIsArray($value, $path);
            Assert::assertArrayHasKey($part, $value, $path);
            $value = $value[$part];
        }

        return $value;
    }

    public function string(string $path): string
    {
        $value = $this->at($path);
        Assert::assertIsString($value, $path);

        return $value;
    }

    public function int(string $path): int
    {
        $value = $this->at($path);
        Assert::assertIsInt($value, $path);

        return $value;
    }

    /** @return array<mixed> */
    public function list(string $path): array
    {
        $value = $this->at($path);
        Assert::assertIsArray($value, $path);

        return $value;
    }
}
