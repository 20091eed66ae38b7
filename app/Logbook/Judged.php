<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Reach;
use Footnote\Core\Judgement\Assessment;

/** A run that was judged, written out as it is kept, and what it was worked out of. */
final readonly class Judged
{
    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE;

    /**
     * @param array<string, string> $until   how far the evidence of its unit was asked, and those of its shift's other runs, by =
     *                                       and the run
     * @param array<string, mixed>  $summary what the ledger shows
     */
    private function __construct(
        public string $run,
        public string $verdict,
        public Worked $worked,
        public array $summary,
        public string $packed,
        public array $until,
        public Seen $seen,
    ) {
    }

    /**
     * @param array<string, mixed> $body    the written assessment
     * @param array<string, Reach> $reaches of the run and of those of its shift, by = and the run
     */
    public static function of(Assessment $assessment, array $body, array $reaches, Seen $seen): self
    {
        $json = json_encode($body, self::JSON | \JSON_UNESCAPED_SLASHES);

        return new self(
            $assessment->run->id,
            $assessment->verdict->value,
            new Worked(hash('sha256', $json), Saying::digest(Saying::of($body)), Worked::school($body), $json),
            LedgerLine::of($assessment, $body),
            Cells::packed($json, 1),
            array_map(static function (Reach $reach): string {
                $until = $reach->until();

                return $until === null ? Moments::ENDLESS : min(Moments::text($until), Moments::ENDLESS);
            }, $reaches),
            $seen,
        );
    }

    /** How far the evidence of its unit was asked. */
    public function until(): string
    {
        return $this->until['='.$this->run] ?? Moments::ENDLESS;
    }

    /** @return list<string|int> as it is kept under a policy, but for the assessment itself */
    public function row(string $policy): array
    {
        return [
            $this->run,
            $policy,
            $this->seen->run,
            $this->seen->campaign,
            $this->verdict,
            $this->worked->digest,
            $this->worked->said,
            json_encode($this->summary, self::JSON),
            json_encode($this->worked->school, self::JSON),
        ];
    }
}
