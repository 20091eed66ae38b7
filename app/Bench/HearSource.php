<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\LineProfileShelf;
use Footnote\Core\Source\LineProfile;
use Footnote\Core\Source\Stretch;
use Footnote\Core\StandIn\Doings;

/** Reads what a source says at a step of a half-done check: light, since it is asked for again each second. */
final readonly class HearSource
{
    public function __construct(
        private Logbook $logbook,
        private ModelSheets $sheets,
        private Assessor $assessor,
        private Formats $families,
        private Libraries $libraries,
        private SiteClock $site,
        private KeptFiles $files,
    ) {
    }

    /** @param float $seconds of a stand-in, how far back */
    public function __invoke(Draft $draft, string $stepId, Fields $source, float $seconds): Heard
    {
        $now = $this->site->now();
        $asked = AskedSource::of($source, $now);
        $unit = $this->logbook->instrument($draft->instrument) ?? throw Problem::missing('Instrument '.$draft->instrument);
        $procedure = $this->sheets->walked($draft, $unit)->procedure;
        $step = $procedure->step($stepId) ?? throw Problem::field(
            '/step',
            'is no step of this check.',
        );
        $answers = $draft->answers();
        $references = $this->logbook->references(self::named($answers));
        $seat = $asked->kind === AskedSource::STAND_IN
            ? StandInSeat::of($draft, $this->families) ?? throw new Problem(409, 'No stand-in is connected. Nothing was taken.')
            : null;
        $format = $this->families->of($unit->family);
        $taken = KeptLines::taken($this->files->of(FileOf::Draft, $draft->id));
        $doings = new Doings($step->id, Stamps::moments($answers, 'stepWaits'), Stamps::moments($answers, 'stepTimes'), $taken);
        $bytes = $seat === null ? $asked->bytes : $seat->lines($draft, $unit, $references, $format, $doings, $seconds, $now);
        $profile = $asked->profile === ''
            ? null
            : $this->libraries->record(LineProfileShelf::ID, $asked->profile) ?? throw Problem::missing('Line profile '.$asked->profile);
        $stretch = Stretch::read($bytes, self::profile($profile), $asked->arrived, $now->getTimezone());
        $at = new StepAtHand(
            $this->assessor->family($unit->family)->bench(),
            $unit,
            $step,
            $procedure->watchedAt($step),
            $references[Cells::text($answers, 'reference')] ?? null,
            Cells::text($answers, 'setting'),
        );
        $refusals = self::refusals($stretch, $unit, $references);
        if ($asked->isLive()) {
            // What it showed before the gas was on, or before it was adjusted, says nothing of what follows, however still it stood.
            $clock = $doings->clocks[$step->id] ?? null;
            if ($at->isClocked() && $clock === null) {
                $refusals[] = 'The clock is not started: it begins when the gas is on.';
            }
            // Nor what stood there at the setting before: of the reading before, or of the step before.
            $before = $at->isEachSet()
                ? [...array_merge(...array_values($taken)), ...self::settled($procedure, $step, $doings), Stamps::moment($answers, 'at')]
                : [];
            $moments = array_filter([$clock, self::adjusted($procedure, $step, $doings), ...$before]);
            $stretch = $moments === [] ? $stretch : $stretch->since(max($moments));
        }

        return new Heard($asked, $at, $bytes, $stretch, new HeardBy($now, $profile, $seat, $refusals));
    }

    /** When the unit was last adjusted before a step, or was said to be left. */
    private static function adjusted(Procedure $procedure, Step $before, Doings $doings): ?\DateTimeImmutable
    {
        $moments = self::settled($procedure, $before, $doings, StepKind::Adjust);

        return $moments === [] ? null : max($moments);
    }

    /**
     * When the steps before one were done or skipped.
     *
     * @param StepKind|null $kind null: of any kind
     *
     * @return list<\DateTimeImmutable>
     */
    private static function settled(Procedure $procedure, Step $before, Doings $doings, ?StepKind $kind = null): array
    {
        $steps = array_filter(
            \array_slice($procedure->steps, 0, $procedure->place($before->id) ?? 0),
            static fn (Step $step): bool => $kind === null || $step->kind === $kind,
        );

        return array_values(array_filter(array_map(
            static fn (Step $step): ?\DateTimeImmutable => $doings->settled[$step->id] ?? null,
            $steps,
        )));
    }

    /** @param array<string, mixed>|null $profile as its library has it; null: open lines */
    public static function profile(?array $profile): LineProfile
    {
        return $profile === null ? LineProfile::openLines() : LineProfile::of(LineProfileShelf::shelf()->read(Fields::of($profile)));
    }

    /**
     * What any text of the answers may name.
     *
     * @param array<string, mixed> $answers
     *
     * @return list<string>
     */
    private static function named(array $answers): array
    {
        $texts = array_filter($answers, static fn (mixed $one): bool => \is_string($one) && $one !== '' && \strlen($one) <= 60);

        return array_values(array_unique(array_filter($texts, \is_string(...))));
    }

    /**
     * @param array<int|string, Reference> $references that the check names
     *
     * @return list<string>
     */
    private static function refusals(Stretch $stretch, Instrument $unit, array $references): array
    {
        $refusals = [];
        $known = array_filter([
            $unit->id,
            $unit->serial ?? '',
            ...array_map(static fn (Reference $one): string => $one->id, array_values($references)),
        ], static fn (string $name): bool => $name !== '');
        $strange = array_values(array_filter(
            $stretch->units(),
            static fn (string $name): bool => $name !== '' && !\in_array($name, $known, true),
        ));
        if ($strange !== []) {
            $refusals[] = \sprintf(
                'These are lines of %s. This check is of %s%s.',
                implode(' and ', $strange),
                $unit->id,
                $unit->serial === null ? ', whose serial number is not registered' : ', serial number '.$unit->serial,
            );
        }
        if ($stretch->isSimulated() && !$unit->isPractice()) {
            $refusals[] = \sprintf('A stand-in printed these lines, and %s is no practice unit.', $unit->id);
        }

        return $refusals;
    }
}
