<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\OwnSteps;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;
use Footnote\Core\Sheet\SheetShelf;

/** Which model sheets are asked of a unit, and the procedure of a half-done check with what they add. */
final readonly class ModelSheets
{
    /** Under which a half-done check keeps the codes of its sheets: they stay those that it began with. */
    public const ANSWER = 'sheets';

    public function __construct(private Libraries $libraries, private Assessor $assessor)
    {
    }

    /** Those that a check of the unit is to be walked with when it begins now. */
    public function applying(Instrument $unit): Sheets
    {
        return $this->all()->of($unit->family, $unit->model);
    }

    /** Every sheet, those that come with Footnote too. */
    public function all(): Sheets
    {
        return self::made($this->libraries->all(SheetShelf::ID));
    }

    /** Those that the half-done check began with. */
    public function of(Draft $draft): Sheets
    {
        $codes = $draft->answers()[self::ANSWER] ?? [];
        $entries = array_map(
            fn (mixed $code): ?Traits => \is_string($code) ? $this->libraries->find(SheetShelf::ID, $code) : null,
            \is_array($codes) ? array_values($codes) : [],
        );

        return self::made(array_values(array_filter($entries)));
    }

    /** @param list<Traits> $entries */
    private static function made(array $entries): Sheets
    {
        return new Sheets(array_map(static fn (Traits $entry): ModelSheet => new ModelSheet($entry), $entries));
    }

    public function procedureOf(Draft $draft, Instrument $unit): Procedure
    {
        return Procedure::among(
            $this->of($draft)->over($this->assessor->family($unit->family)->procedures($unit)),
            Cells::text($draft->answers(), 'procedure'),
        );
    }

    /** @return array{own?: list<array<string, mixed>>} what the record of the check holds of the steps that they added */
    public function recordOf(Draft $draft, Instrument $unit): array
    {
        $rows = $this->of($draft)->rows($this->procedureOf($draft, $unit), $draft->answers());

        return $rows === [] ? [] : [OwnSteps::NAME => $rows];
    }
}
