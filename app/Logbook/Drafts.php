<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Footnote\App\Logbook\Row\CheckRound;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/** Half-done checks. */
final readonly class Drafts
{
    public function __construct(private EntityManagerInterface $entities, private Connection $connection)
    {
    }

    /** @throws Problem where there is none, or it was closed */
    public function open(string $id): Draft
    {
        $draft = $this->entities->find(Draft::class, $id) ?? throw Problem::missing('This half-done check');
        if ($draft->isClosed()) {
            throw new Problem(409, 'This check is closed already.');
        }

        return $draft;
    }

    /**
     * Answers it within the change that is under way, where nobody did so meanwhile.
     *
     * @param array<string, mixed>  $answers
     * @param array<string, string> $typed   who typed each of them, by its name
     * @param int                   $version that was seen
     * @param string                $kept    what became of what was asked, such as "nothing was taken"
     *
     * @throws Problem where somebody answered it elsewhere meanwhile
     */
    public function answer(Draft $draft, array $answers, array $typed, int $version, string $kept): Draft
    {
        try {
            $this->entities->lock($draft, LockMode::OPTIMISTIC, $version);
            $draft->answer($answers, $typed);
            $this->entities->flush();
        } catch (OptimisticLockException) {
            throw new Problem(409, \sprintf('This check was answered elsewhere meanwhile. Look at it again; %s.', $kept));
        }

        return $draft;
    }

    public function openOf(string $instrument): ?Draft
    {
        $id = $this->connection->fetchOne('SELECT id FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL', [$instrument]);

        return \is_string($id) ? $this->entities->find(Draft::class, $id) : null;
    }

    /**
     * What is open, without its answers.
     *
     * @return array<string, array{id: string, by: string, startedAt: string, round: string|null}> by = and the unit
     */
    public function heads(): array
    {
        $heads = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT instrument_id, id, started_by, started_at, round_id FROM check_draft WHERE closed_at IS NULL',
        ) as $row) {
            $heads['='.Cells::text($row, 'instrument_id')] = [
                'id' => Cells::text($row, 'id'),
                'by' => Cells::text($row, 'started_by'),
                'startedAt' => Cells::moment($row, 'started_at'),
                'round' => \is_string($row['round_id']) ? $row['round_id'] : null,
            ];
        }

        return $heads;
    }

    /** @throws Problem where there is none */
    public function round(string $id): CheckRound
    {
        return $this->entities->find(CheckRound::class, $id) ?? throw Problem::missing('This round');
    }

    /** @return array<string, Draft> those of a round, open or not, by = and the unit: of two of one unit the later */
    public function ofRound(CheckRound $round): array
    {
        $drafts = [];
        $inOrder = ['startedAt' => 'ASC', 'id' => 'ASC'];
        foreach ($this->entities->getRepository(Draft::class)->findBy(['round' => $round->id], $inOrder) as $draft) {
            $drafts['='.$draft->instrument] = $draft;
        }

        return $drafts;
    }

    public function familyOf(Draft $draft): string
    {
        return $this->entities->find(RegisteredInstrument::class, $draft->instrument)->family ?? '';
    }
}
