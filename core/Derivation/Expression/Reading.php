<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** Reads one expression, sign by sign: equations, then sums, then products, then powers. */
final class Reading
{
    private const NAME = '\p{L}[\p{L}\p{M}₀-₉]*(?:_[\p{L}\p{N}₀-₉]+(?:,[\p{L}\p{N}₀-₉]+)*)?\*?';
    private const TOKEN = '/\G(\s*)(\d+(?:\.\d+)?|'.self::NAME.'|[=+−·\/^√Σ²³()\[\],;])/u';

    /** @var list<array{string, bool}> signs, and whether a space stands before each */
    private array $tokens = [];
    private int $place = 0;

    /** @throws UnreadableExpression */
    public function __construct(private readonly string $written)
    {
        $at = 0;
        while ($at < \strlen($written)) {
            if (preg_match(self::TOKEN, $written, $parts, 0, $at) !== 1) {
                throw UnreadableExpression::at($written, substr($written, $at));
            }
            $this->tokens[] = [$parts[2], $parts[1] !== ''];
            $at += \strlen($parts[0]);
        }
    }

    public function whole(): Term
    {
        $term = $this->row(['='], fn (): Term => $this->sum());
        $this->place === \count($this->tokens) || throw $this->stop();

        return $term;
    }

    private function sum(): Term
    {
        return $this->row(['+', '−'], fn (): Term => $this->product());
    }

    /**
     * @param list<string>     $signs
     * @param \Closure(): Term $next
     */
    private function row(array $signs, \Closure $next): Term
    {
        $terms = [$next()];
        $between = [];
        while (\in_array($this->sign(), $signs, true)) {
            $between[] = $this->take();
            $terms[] = $next();
        }

        return $between === [] ? $terms[0] : new Chain($terms, $between);
    }

    private function product(): Term
    {
        $terms = [$this->power()];
        $between = [];
        while (true) {
            if ($this->sign() === '·') {
                $between[] = $this->take();
                $terms[] = $this->power();
            } elseif ($this->sign() === '/') {
                $this->take();
                $above = $between === [] ? $terms[0] : new Chain($terms, $between);
                $terms = [new Fraction($above, $this->power())];
                $between = [];
            } elseif ($this->isJoined()) {
                $between[] = ' ';
                $terms[] = $this->power();
            } else {
                return $between === [] ? $terms[0] : new Chain($terms, $between);
            }
        }
    }

    /** Whether a product goes on without a sign: a space, then a function, a sum, a root or a bracket. */
    private function isJoined(): bool
    {
        [$sign, $spaced] = $this->tokens[$this->place] ?? ['', false];

        return $spaced && (\in_array($sign, ['Σ', '√', '(', '['], true) || $this->isFunction());
    }

    private function isFunction(): bool
    {
        return \in_array($this->sign(), Applied::NAMES, true) && ($this->tokens[$this->place + 1][0] ?? '') !== '='
            && (($this->tokens[$this->place + 1][0] ?? '') === '(' || \in_array($this->sign(), ['lg', 'ln'], true));
    }

    private function power(): Term
    {
        $sign = $this->sign();
        if ($sign === '−' || $sign === '√') {
            $this->take();

            return new Before($sign, $this->power());
        }
        if ($sign === 'Σ') {
            $this->take();

            return new Before($sign, $this->product());
        }
        $base = $this->primary();
        while (\in_array($this->sign(), ['^', '²', '³'], true)) {
            $mark = $this->take();
            $base = $mark === '^' ? new Power($base, $this->power(), '^') : Power::raised($base, $mark);
        }

        return $base;
    }

    private function primary(): Term
    {
        if ($this->isFunction()) {
            return $this->applied();
        }
        $sign = $this->take();
        if ($sign === '(' || $sign === '[') {
            $within = $this->sum();
            $closes = $this->take();
            ($sign === '(' ? ')' : ']') === $closes || throw $this->stop();

            return new Bracketed($within, $sign, $closes);
        }

        return match (true) {
            preg_match('/^\d/', $sign) === 1 => new Number($sign),
            preg_match('/^\p{L}/u', $sign) === 1 => new Symbol($sign),
            default => throw $this->stop(),
        };
    }

    private function applied(): Term
    {
        $name = $this->take();
        if ($this->sign() !== '(') {
            return new Applied($name, [$this->primary()], [], true);
        }
        $this->take();
        $arguments = [$this->sum()];
        $signs = [];
        while (\in_array($this->sign(), [',', ';'], true)) {
            $signs[] = $this->take();
            $arguments[] = $this->sum();
        }
        $this->take() === ')' || throw $this->stop();

        return new Applied($name, $arguments, $signs);
    }

    private function sign(): string
    {
        return $this->tokens[$this->place][0] ?? '';
    }

    private function take(): string
    {
        $sign = $this->sign();
        $sign !== '' || throw $this->stop();
        ++$this->place;

        return $sign;
    }

    private function stop(): UnreadableExpression
    {
        $rest = \array_slice($this->tokens, max(0, $this->place - 1));

        return UnreadableExpression::at($this->written, implode(' ', array_column($rest, 0)));
    }
}
