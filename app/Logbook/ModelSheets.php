<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;
use Footnote\Core\Sheet\SheetShelf;
use Footnote\Core\Sheet\Walked;

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

    /** The half-done check as it is walked: with the sheets that it began with. */
    public function walked(Draft $draft, Instrument $unit): Walked
    {
        $codes = $draft->answers()[self::ANSWER] ?? [];
        $codes = \is_array($codes) ? array_values(array_filter($codes, \is_string(...))) : [];
        $sheets = self::made(array_values(array_filter(array_map(
            fn (string $code): ?Traits => $this->libraries->find(SheetShelf::ID, $code),
            $codes,
        ))));
        $procedures = $sheets->over($this->assessor->family($unit->family)->procedures($unit));

        return new Walked($sheets, Procedure::among($procedures, Cells::text($draft->answers(), 'procedure')));
    }

    /** @param list<Traits> $entries */
    private static function made(array $entries): Sheets
    {
        return new Sheets(array_map(static fn (Traits $entry): ModelSheet => new ModelSheet($entry), $entries));
    }
}
