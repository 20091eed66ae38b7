<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\Fields;
use Footnote\Core\Source\Stretch;

/** Lines as a browser got them, or the wish for those of a stand-in, which the server has itself. */
final readonly class AskedSource
{
    public const STAND_IN = 'stand-in';
    public const PORT = 'port';
    public const FILE = 'file';
    public const PASTED = 'pasted';

    /** Bytes of one stretch. */
    private const LARGEST = 262144;

    /**
     * @param string                   $profile code of the line profile; empty: open lines
     * @param list<\DateTimeImmutable> $arrived when each line came, by the server's clock; empty: nobody saw them come
     */
    private function __construct(public string $kind, public string $profile, public string $bytes, public array $arrived)
    {
    }

    /** @throws Problem naming what is wrong with it */
    public static function of(Fields $fields, \DateTimeImmutable $now): self
    {
        $kind = $fields->oneOf('kind', self::STAND_IN, self::PORT, self::FILE, self::PASTED) ?? throw Problem::field(
            $fields->at('kind'),
            'must be stand-in, port, file or pasted.',
        );
        if ($kind === self::STAND_IN) {
            return new self($kind, '', '', []);
        }
        $packed = $fields->raw('lines');
        $bytes = \is_string($packed) ? base64_decode($packed, true) : false;
        if ($bytes === false || $bytes === '') {
            throw Problem::field($fields->at('lines'), 'must be lines, as base64. Nothing was taken.');
        }
        if (\strlen($bytes) > self::LARGEST) {
            throw Problem::field($fields->at('lines'), \sprintf(
                'are %d kB; a stretch is at most %d kB. Nothing was taken.',
                intdiv(\strlen($bytes), 1024),
                self::LARGEST / 1024,
            ));
        }

        return new self(
            $kind,
            $fields->optionalText('profile', 60) ?? '',
            $bytes,
            $kind === self::PORT ? self::arrivals($fields, $bytes, $now) : [],
        );
    }

    /** Whether it goes on while it is looked at. */
    public function isLive(): bool
    {
        return $this->kind === self::STAND_IN || $this->kind === self::PORT;
    }

    /**
     * Told as so many milliseconds before the browser sent them: its clock may be wrong, how long it waited is not.
     *
     * @return list<\DateTimeImmutable>
     */
    private static function arrivals(Fields $fields, string $bytes, \DateTimeImmutable $now): array
    {
        $told = $fields->raw('ago');
        $ago = \is_array($told) ? array_values($told) : [];
        $lines = Stretch::lines($bytes);
        // The last line ends by a line break: what follows it is none.
        $count = \count($lines) - ($lines[\count($lines) - 1] === '' ? 1 : 0);
        if (\count($ago) !== $count) {
            throw Problem::field($fields->at('ago'), \sprintf('tells %d moments of %d lines. Nothing was taken.', \count($ago), $count));
        }
        $before = \PHP_INT_MAX;

        return array_map(static function (mixed $milliseconds) use ($fields, $now, &$before): \DateTimeImmutable {
            if (!\is_int($milliseconds) || $milliseconds < 0 || $milliseconds > $before) {
                throw Problem::field($fields->at('ago'), 'must be milliseconds, the oldest line first. Nothing was taken.');
            }
            $before = $milliseconds;

            return Span::shift($now, -$milliseconds / 1000);
        }, $ago);
    }
}
