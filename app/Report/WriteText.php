<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\ReportText;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Content\HouseTexts;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A steward writes a text of the house for reports anew. What is issued stays as it was. */
final readonly class WriteText
{
    private const LONGEST = 6000;

    public function __construct(private EntityManagerInterface $entities, private Journal $journal, private ClockInterface $clock)
    {
    }

    public function __invoke(User $by, Fields $told): void
    {
        $name = $told->text('name');
        if (!isset(HouseTexts::SHIPPED[$name])) {
            throw Problem::field('/name', 'must be one of: '.implode(', ', array_keys(HouseTexts::SHIPPED)).'.');
        }
        $text = $told->optionalText('text', self::LONGEST) ?? '';
        if ($text === '') {
            throw Problem::field('/text', 'is missing.');
        }
        $unknown = HouseTexts::unknown($name, $text);
        if ($unknown !== []) {
            throw Problem::field('/text', \sprintf(
                'names {%s}, which is not known. Known are: %s.',
                $unknown[0],
                implode(', ', array_map(static fn (string $one): string => '{'.$one.'}', array_keys(HouseTexts::placeholders($name)))),
            ));
        }
        $this->journal->during($by->code, 'report text written', ['name' => $name], function () use ($by, $name, $text): void {
            $this->entities->persist(new ReportText($name, $text, $by->code, $this->clock->now()));
        });
    }
}
