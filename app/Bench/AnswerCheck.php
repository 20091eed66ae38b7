<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/** The answers of a half-done check are kept as they stand: it is no evidence yet, so the journal does not tell of it. */
final readonly class AnswerCheck
{
    public function __construct(
        private Drafts $drafts,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<string, mixed> $answers
     * @param int                  $version that the answers were given to
     *
     * @throws Problem where somebody answered it elsewhere meanwhile
     */
    public function __invoke(User $by, string $id, array $answers, int $version): Draft
    {
        $draft = $this->drafts->open($id);
        // The moment of the first reading stays, whichever copy of the answers comes later.
        $answers['at'] ??= $draft->answers()['at'] ?? null;
        if ($answers['at'] === null && DraftCheck::holdsReadings($this->families, $this->drafts->familyOf($draft), $answers)) {
            $answers['at'] = $this->clock->now()->format(\DATE_ATOM);
        }
        if ($answers['at'] === null) {
            unset($answers['at']);
        }
        $answers = Stamps::on($draft->answers(), $answers, $this->clock->now());
        $typed = Typists::after($draft->answers(), $answers, $draft->typed(), $by->code);

        return $this->drafts->answer($draft, $answers, $typed, $version, 'what you typed is still on your screen');
    }
}
