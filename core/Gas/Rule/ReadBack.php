<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\LeftOff;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/**
 * The channel was left off its label or off clean air at the check that the run began with, adjusted or not. Two rules: the
 * graver far beyond.
 */
final readonly class ReadBack extends ChannelRule implements KnownBeforehand
{
    public function __construct(private string $id, private bool $far)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $far = array_filter($results->response->left, static fn (LeftOff $one): bool => $one->isFar()) !== [];
        foreach ($far === $this->far ? $results->response->left : [] as $one) {
            if ($one->isFar() === $this->far) {
                yield $setting->finding($one->words($results->sensed->channel).'.', [$one->check->id]);
            }
        }
    }
}
