<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Storage\Cells;
use Footnote\App\Storage\JsonLines;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** A run that rests on a check that a recall covers, as it goes from the process that judged it to the one that tells of all. */
#[Exclude]
final readonly class FoundRun
{
    /**
     * @param list<string>       $order   by what it is put in order: campaign, person, start, run
     * @param array<string, int> $results how many of its results are in which state
     * @param string             $line    all that is told of it
     */
    private function __construct(public array $order, public string $state, public array $results, public string $line)
    {
    }

    /**
     * @param array<string, string>                                    $run
     * @param array{state: string, results: list<array<string, mixed>>} $compared
     */
    public static function of(array $run, array $compared, string $line): self
    {
        $states = array_map(static fn (array $result): string => Cells::text($result, 'state'), $compared['results']);

        return new self(
            [$run['campaign'], $run['person'], $run['start'], $run['run']],
            $compared['state'],
            array_count_values($states),
            $line,
        );
    }

    public function run(): string
    {
        return $this->order[3];
    }

    public function written(): string
    {
        return JsonLines::line([
            'order' => $this->order,
            'state' => $this->state,
            'results' => $this->results,
            'line' => $this->line,
        ]);
    }

    public static function told(string $written): self
    {
        $told = JsonLines::read($written);
        $results = array_filter(Cells::map($told, 'results'), \is_int(...));

        return new self(Cells::texts($told, 'order'), Cells::text($told, 'state'), $results, Cells::text($told, 'line'));
    }
}
