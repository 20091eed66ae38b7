<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
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
        private EntityManagerInterface $entities,
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
        try {
            $this->entities->lock($draft, LockMode::OPTIMISTIC, $version);
            $draft->answer($answers, Typists::after($draft->answers(), $answers, $draft->typed(), $by->code));
            $this->entities->flush();
        } catch (OptimisticLockException) {
            throw new Problem(
                409,
                'This check was answered elsewhere meanwhile. Look at it again; what you typed is still on your screen.',
            );
        }

        return $draft;
    }
}
