<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** One reading as a stand-in prints it, in the open lines of docs/formats.md. */
final readonly class Line
{
    /** @param string $value as it stands on the display */
    public function __construct(
        public \DateTimeImmutable $at,
        public string $unit,
        public string $channel,
        public string $value,
        public string $in,
    ) {
    }

    public function json(): string
    {
        return json_encode([
            'at' => $this->at->format('Y-m-d\TH:i:s.vP'),
            'unit' => $this->unit,
            'channel' => $this->channel,
            'value' => $this->value,
            'in' => $this->in,
            // Whoever reads it, and by whatever way it comes, it is practice.
            'simulated' => true,
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
