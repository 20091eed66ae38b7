<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\Formats;

/**
 * The checks of units as they can be walked where no server answers: every step with each reference and setting that fits, as it would
 * be asked, and what a check will be held to. Nothing is begun, nothing is kept, and nothing is left to be worked out.
 *
 * @phpstan-import-type Shown from DraftPresenter
 */
final readonly class PreparedPresenter
{
    /** So many units are prepared at most. */
    private const MOST = 30;

    /** What speaks against a reference is told for so many days ahead. */
    private const DAYS = 7;

    public function __construct(
        private DraftPresenter $shown,
        private ReferenceLines $references,
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Policies $policies,
        private Drafts $drafts,
        private ModelSheets $sheets,
        private Assessor $assessor,
        private Formats $families,
        private Retirements $retirements,
        private SiteClock $site,
    ) {
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, mixed>
     *
     * @throws Problem where more are asked for than are prepared
     */
    public function of(User $by, array $ids): array
    {
        if (\count($ids) > self::MOST) {
            throw Problem::field('/units', \sprintf('are more than %d.', self::MOST));
        }
        $kit = $this->logbook->references();
        $retired = $this->retirements->instruments();
        $units = [];
        foreach ($ids as $id) {
            $unit = $this->logbook->instrument($id);
            if ($unit !== null && !isset($retired['='.$id])) {
                $units[] = $this->unit($by, $unit, $kit);
            }
        }

        return [
            'at' => $this->site->now()->format(\DATE_ATOM),
            'units' => $units,
        ];
    }

    /**
     * @param array<int|string, Reference> $kit
     *
     * @return array<string, mixed>
     */
    private function unit(User $by, Instrument $unit, array $kit): array
    {
        $policy = $this->policies->get($this->campaigns->ofUnit($unit->id)['policy']);
        $draft = $this->drafts->openOf($unit->id);
        $codes = $this->sheets->applying($unit)->codes();
        $against = $this->against($unit, $kit, $policy);
        $checks = [];
        foreach ($this->assessor->family($unit->family)->procedures($unit) as $procedure) {
            $checks[] = $this->check($by, $unit, $procedure, $codes, $against);
        }

        return [
            'id' => $unit->id,
            // What somebody began is gone on with.
            'draft' => $draft === null ? null : $this->shown->of($draft),
            'checks' => $checks,
            'run' => Entry::all($this->families->of($unit->family)->run($unit)),
            'usualMinutes' => $this->families->of($unit->family)->usualMinutes(),
            'policy' => $policy->name,
            'limits' => $this->limits($unit, $policy),
        ];
    }

    /**
     * @param list<string>                                                     $sheets
     * @param array<string, list<array{from: string, problems: list<string>}>> $against by = and the reference
     *
     * @return array<string, mixed>
     */
    private function check(User $by, Instrument $unit, Procedure $procedure, array $sheets, array $against): array
    {
        $begun = ['procedure' => $procedure->id, ...($sheets === [] ? [] : [ModelSheets::ANSWER => $sheets])];
        $first = $this->walked($by, $unit, $begun);
        $chosen = [['reference' => '', 'setting' => '']];
        foreach ($first['references'] as $reference) {
            foreach ($reference['settings'] === [] ? [''] : array_column($reference['settings'], 'value') as $setting) {
                $chosen[] = ['reference' => $reference['id'], 'setting' => $setting];
            }
        }
        $steps = [];
        $walks = [];
        foreach ($chosen as $choice) {
            $walked = $choice['reference'] === '' ? $first : $this->walked($by, $unit, [...$begun, ...$choice]);
            $places = [];
            foreach ($walked['procedure']['steps'] as $step) {
                $place = array_search($step, $steps, true);
                if ($place === false) {
                    $place = \count($steps);
                    $steps[] = $step;
                }
                $places[] = $place;
            }
            $walks[] = [...$choice, 'steps' => $places, 'live' => $walked['live']];
        }

        return [
            'unit' => $first['unit'],
            'procedure' => ['id' => $first['procedure']['id'], 'title' => $first['procedure']['title']],
            'sheets' => $first['sheets'],
            'references' => array_map(
                static fn (array $one): array => [...array_diff_key($one, ['problems' => 1]), 'against' => $against['='.$one['id']] ?? []],
                $first['references'],
            ),
            'steps' => $steps,
            'walks' => $walks,
        ];
    }

    /**
     * What the bench shows of a check in which only that was answered.
     *
     * @param array<string, mixed> $answers
     *
     * @return Shown
     */
    private function walked(User $by, Instrument $unit, array $answers): array
    {
        $draft = new Draft('prepared', $unit->id, $by->code, $this->site->now());
        $draft->answer($answers, []);

        return $this->shown->of($draft);
    }

    /**
     * What speaks against each reference now and from which day on: certificates end while the network is away.
     *
     * @param array<int|string, Reference> $kit
     *
     * @return array<string, list<array{from: string, problems: list<string>}>> by = and the reference
     */
    private function against(Instrument $unit, array $kit, Policy $policy): array
    {
        $now = $this->site->now();
        $against = [];
        for ($day = 0; $day < self::DAYS; ++$day) {
            $on = $day === 0 ? $now : $now->modify(\sprintf('+%d days midnight', $day));
            foreach ($this->references->of($unit, $kit, $policy, $on) as $line) {
                $known = $against['='.$line['id']] ?? [];
                $before = $known === [] ? null : $known[\count($known) - 1]['problems'];
                if ($before !== $line['problems']) {
                    $against['='.$line['id']] = [...$known, ['from' => $on->format(\DATE_ATOM), 'problems' => $line['problems']]];
                }
            }
        }

        return $against;
    }

    /** @return list<array{rule: string, limit: string, source: string}> what the policy holds units of this family to */
    private function limits(Instrument $unit, Policy $policy): array
    {
        $families = array_map(static fn (Family $one): string => $one->id(), $this->assessor->families());
        $limits = [];
        foreach ($this->assessor->family($unit->family)->rules() as $rule) {
            $setting = $policy->rule($rule->id());
            $own = array_filter(
                $setting->limits ?? [],
                static fn (Limit $one): bool => $one->name === $unit->family || !\in_array($one->name, $families, true),
            );
            foreach ($own as $limit) {
                $limits[] = ['rule' => $setting->rule->title ?? '', 'limit' => $limit->words(), 'source' => $setting->rule->source ?? ''];
            }
        }

        return $limits;
    }
}
