<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Access\User;
use Footnote\App\Errands\Errands;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\SupposedRecall;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\JsonLines;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/**
 * Asks what a recall would change, and finds what was asked again: whoever else looks at the reference meanwhile sees that somebody asks.
 *
 * @phpstan-import-type State from Errands
 */
final readonly class AskedWhatIf
{
    /** What the process of its own is called by, and those that share its work. */
    public const COMMAND = 'footnote:recall:what-if';
    public const REFERENCES = 'references';
    public const UNITS = 'instruments';
    private const NAME = 'what-if.';

    public function __construct(
        private Errands $errands,
        private WhatIf $whatIf,
        private Logbook $logbook,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string $owner references or instruments
     *
     * @return string under which it is found
     */
    public function begin(User $by, string $owner, string $recalled, Fields $told): string
    {
        $recall = $this->recall($owner, $recalled, $told);
        $this->errands->tidy();
        $id = bin2hex(random_bytes(8));
        file_put_contents($this->errands->path(self::NAME.$id.'.asked'), json_encode([
            'id' => $id,
            'owner' => $owner,
            'recalled' => $recalled,
            'recall' => $recall->record,
            'by' => $by->code,
            'at' => $this->clock->now()->format(\DATE_ATOM),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
        $this->errands->start(self::NAME.$id, [self::COMMAND, $id]);

        return $id;
    }

    /** To be called by the process of its own. */
    public function run(string $id): void
    {
        $recall = $this->supposed($id);
        $path = $this->path($id);
        $this->errands->run(self::NAME.$id, function (\Closure $progress) use ($id, $recall, $path): void {
            $this->errands->lay($path, fn (string $to) => $this->whatIf->lay(
                $recall,
                [self::COMMAND, $id],
                new \SplFileObject($to, 'w'),
                $progress,
            ));
        });
    }

    /**
     * To be called by a process that does a part of the work.
     *
     * @return \Generator<int, string> lines for the one that shared it out
     */
    public function part(string $id, int $which, int $of): \Generator
    {
        foreach ($this->whatIf->part($this->supposed($id), $which, $of) as $found) {
            yield \is_int($found) ? $found."\n" : $found->written();
        }
    }

    /** @return array{asked: array<string, mixed>, state: State, head: array<string, mixed>|null} null until it is done */
    public function told(string $id): array
    {
        $asked = $this->asked($id);

        return [
            'asked' => $asked,
            'state' => $this->errands->state(self::NAME.$id),
            'head' => is_file($this->path($id)) ? $this->lines($id)->current() : null,
        ];
    }

    /** @return list<array<string, mixed>> runs, so many from so many on */
    public function runs(string $id, int $from, int $count): array
    {
        $this->asked($id);
        $runs = [];
        foreach (is_file($this->path($id)) ? $this->lines($id) : [] as $place => $line) {
            if ($place > $from && $place <= $from + $count) {
                $runs[] = $line;
            } elseif ($place > $from + $count) {
                break;
            }
        }

        return $runs;
    }

    /** @return list<array<string, mixed>> what was asked of a reference or a unit of late, the newest first */
    public function of(string $owner, string $recalled): array
    {
        $files = glob($this->errands->path(self::NAME).'*.asked');
        $found = [];
        foreach ($files === false ? [] : $files as $file) {
            $asked = self::read($file);
            if (Cells::text($asked, 'owner') === $owner && Cells::text($asked, 'recalled') === $recalled) {
                $state = $this->errands->state(self::NAME.Cells::text($asked, 'id'));
                $found[] = [...$asked, 'state' => $state['state'], 'done' => $state['done'], 'of' => $state['of']];
            }
        }
        usort($found, static fn (array $a, array $b): int => Cells::text($b, 'at') <=> Cells::text($a, 'at'));

        return $found;
    }

    private function supposed(string $id): SupposedRecall
    {
        $asked = $this->asked($id);

        return $this->recall(Cells::text($asked, 'owner'), Cells::text($asked, 'recalled'), Fields::of(Cells::map($asked, 'recall')));
    }

    private function recall(string $owner, string $recalled, Fields $told): SupposedRecall
    {
        if ($owner === self::UNITS) {
            $this->logbook->instrument($recalled) ?? throw Problem::missing('Instrument '.$recalled);

            return SupposedRecall::ofUnit($recalled, $this->reader->unitRecall($told));
        }
        $known = $this->logbook->references([$recalled])[$recalled] ?? throw Problem::missing('Reference '.$recalled);
        $kind = $this->families->referenceKind($known->kind) ?? throw Problem::missing('Kind '.$known->kind);

        return SupposedRecall::of($recalled, $this->reader->recall($told, $kind));
    }

    /** @return array<string, mixed> */
    private function asked(string $id): array
    {
        $path = preg_match('/^[0-9a-f]{16}$/D', $id) === 1 ? $this->errands->path(self::NAME.$id.'.asked') : '';

        return is_file($path) ? self::read($path) : throw Problem::missing('What was asked under this address, or lies too far back:');
    }

    private function path(string $id): string
    {
        return $this->errands->path(self::NAME.$id.'.lines');
    }

    /** @return \Generator<int, array<string, mixed>> the first says what all come to */
    private function lines(string $id): \Generator
    {
        foreach ((new JsonLines($this->path($id)))->written() as $place => $line) {
            yield $place => JsonLines::read($line);
        }
    }

    /** @return array<string, mixed> */
    private static function read(string $path): array
    {
        $read = json_decode((string) file_get_contents($path), true);

        /** @var array<string, mixed> */
        return \is_array($read) ? $read : [];
    }
}
