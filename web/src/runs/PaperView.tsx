import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useCampaigns, useChange, useUnit } from '../api/hooks';
import { keepFile } from '../api/sendFile';
import { askedSteps } from '../bench/answers';
import { Live } from '../bench/Live';
import { StepBody } from '../bench/StepBody';
import { Tick, turned } from '../bench/Tick';
import type { Answers } from '../bench/useDraft';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { filled, type Values } from '../look/values';
import { isoOf, localOf } from '../look/words';
import { ChooseCampaign } from './ChooseCampaign';
import { isSaid, stepsOf } from './paper';
import { RunDetails, type RunForm, runOf } from './RunDetails';

type Draft = Schemas['Draft'];
type Which = 'before' | 'after';

interface Sheet {
  before: Answers;
  after: Answers;
  said: Record<Which, string[]>;
  run: RunForm;
  values: Values;
  campaign: string;
  endsWithTheRun: boolean;
}

const empty: Sheet = {
  before: { fromPaper: true },
  after: { fromPaper: true },
  said: { before: [], after: [] },
  run: {
    start: '',
    stop: '',
    person: '',
    task: '',
    place: '',
    plannedMinutes: '',
    shiftMinutes: '480',
    shift: '',
  },
  values: {},
  campaign: '',
  endsWithTheRun: false,
};

const keyOf = (unit: string) => `footnote.paper.${unit}`;

/** What was typed and not yet written down: a closed lid loses nothing of it. */
const begun = (unit: string): Sheet => {
  try {
    const text = window.localStorage.getItem(keyOf(unit));
    return text === null ? empty : { ...empty, ...(JSON.parse(text) as Partial<Sheet>) };
  } catch {
    return empty;
  }
};

/** A whole run that was made where there was no screen: check, run, check, as they stand on one sheet of paper. */
export function PaperView() {
  const { unit = '' } = useParams();
  const navigate = useNavigate();
  const campaigns = useCampaigns();
  const asked = useUnit(unit);
  const [sheet, setSheet] = useState(() => begun(unit));
  const [photo, setPhoto] = useState<File | null>(null);
  const [settled, setSettled] = useState(sheet);
  useEffect(() => {
    try {
      window.localStorage.setItem(keyOf(unit), JSON.stringify(sheet));
    } catch {
      // Without storage a closed tab loses what was typed.
    }
    const timer = window.setTimeout(() => setSettled(sheet), 400);
    return () => window.clearTimeout(timer);
  }, [sheet, unit]);
  const shown = useQuery({
    queryKey: ['paper', unit, settled.before, settled.after],
    queryFn: () =>
      answer(
        api.POST('/api/paper/{instrument}/shown', {
          params: { path: { instrument: unit } },
          body: { before: settled.before, after: settled.after },
        }),
      ),
    refetchOnWindowFocus: false,
  });
  // While the next answer is on its way, or a server not reached, the last one stays on the screen.
  const [drafts, setDrafts] = useState<Record<Which, Draft> | null>(null);
  if (shown.data && shown.data !== drafts) {
    setDrafts(shown.data);
  }
  const campaign = sheet.campaign || (campaigns.data?.campaigns.at(-1)?.id ?? '');
  const entries = asked.data?.run ?? [];
  const copy = useChange(
    async () => {
      const check = (which: Which): Answers => ({
        ...sheet[which],
        steps: drafts ? stepsOf(drafts[which], sheet[which], sheet.said[which]) : {},
      });
      const { run } = await answer(
        api.POST('/api/paper/{instrument}', {
          params: { path: { instrument: unit } },
          body: {
            before: check('before'),
            run: { ...filled(entries, sheet.values), ...runOf(sheet.run, isoOf), campaign },
            after: sheet.endsWithTheRun ? null : check('after'),
          },
        }),
      );
      window.localStorage.removeItem(keyOf(unit));
      if (photo) {
        try {
          await keepFile('run', run, photo);
        } catch (refused) {
          const why = refused instanceof Error ? refused.message : '';
          window.alert(`Run ${run} is written down; its photo is not: ${why} Add it on the page of the run.`);
        }
      }
      return run;
    },
    (run) => void navigate(`/runs/${run}`),
  );
  if (!drafts || !asked.data) {
    return <Lacking of={[shown, asked]} />;
  }
  const put = (which: Which) => (change: Partial<Answers>) =>
    setSheet((now) => ({ ...now, [which]: { ...now[which], ...change } }));
  const say = (which: Which) => (said: string[]) =>
    setSheet((now) => ({ ...now, said: { ...now.said, [which]: said } }));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        copy.mutate(undefined);
      }}
    >
      <h1 className="fn-title" style={{ margin: 0 }}>
        {unit}{' '}
        <span style={{ color: ink.soft, fontSize: '1.2rem' }}>{asked.data.model}, from a sheet of paper</span>
      </h1>
      <p style={{ color: ink.soft, margin: '2px 0 10px', maxWidth: 760 }}>
        Every reading is kept as copied, with the time on the sheet. What the sheet does not confirm was left
        out, and that is a finding. All three are written down together, or none. One check alone:{' '}
        <Link to="/bench">Bench</Link>, <i>From paper</i>.
      </p>
      <CheckOnSheet
        which="before"
        title="Check before the run"
        draft={drafts.before}
        answers={sheet.before}
        put={put('before')}
        said={sheet.said.before}
        say={say('before')}
        problem={copy.error?.of('before/at')}
      />
      <section aria-label="Run" style={{ borderTop: `1px solid ${ink.rule}`, padding: '14px 0 20px' }}>
        <h2 className="fn-title" style={{ margin: '0 0 12px' }}>
          • The run
        </h2>
        <div style={{ maxWidth: 420, marginBottom: 16 }}>
          <ChooseCampaign value={campaign} set={(chosen) => setSheet({ ...sheet, campaign: chosen })} />
        </div>
        <RunDetails
          isOver
          form={sheet.run}
          set={(change) => setSheet({ ...sheet, run: { ...sheet.run, ...change } })}
          entries={entries}
          values={sheet.values}
          setValues={(values) => setSheet({ ...sheet, values })}
          problem={copy.error}
        />
      </section>
      <FormControlLabel
        label="The sheet has no check after the run"
        control={
          <Checkbox
            checked={sheet.endsWithTheRun}
            onChange={(event) => setSheet({ ...sheet, endsWithTheRun: event.target.checked })}
          />
        }
      />
      {!sheet.endsWithTheRun && (
        <CheckOnSheet
          which="after"
          title="Check after the run"
          draft={drafts.after}
          answers={sheet.after}
          put={put('after')}
          said={sheet.said.after}
          say={say('after')}
          problem={copy.error?.of('after/at')}
        />
      )}
      <label style={{ display: 'block', margin: '12px 0' }}>
        Photo of the sheet, kept with the run{' '}
        <input
          type="file"
          accept="image/jpeg,image/png,application/pdf"
          style={{ maxWidth: '100%' }}
          onChange={(event) => setPhoto(event.target.files?.[0] ?? null)}
        />
      </label>
      <Told problem={copy.error ?? shown.error} />
      <div className="fn-done">
        <Button type="submit" variant="contained" disabled={copy.isPending} sx={{ minHeight: 56 }}>
          Write all of it down
        </Button>
        <Button
          color="warning"
          sx={{ minHeight: 56 }}
          onClick={() => {
            if (window.confirm('Empty the form? What was typed here is gone.')) {
              setSheet(empty);
            }
          }}
        >
          Empty the form
        </Button>
      </div>
    </form>
  );
}

interface CheckProps {
  which: Which;
  title: string;
  draft: Draft;
  answers: Answers;
  put: (change: Partial<Answers>) => void;
  said: string[];
  say: (said: string[]) => void;
  problem: string | undefined;
}

/** All that a check asks, one under the other. */
function CheckOnSheet({ which, title, draft, answers, put, said, say, problem }: CheckProps) {
  const steps = askedSteps(draft.procedure.steps, answers);
  const confirmed = steps.filter(isSaid);
  return (
    <section aria-label={title} style={{ borderTop: `1px solid ${ink.rule}`, padding: '14px 0 20px' }}>
      <h2 className="fn-title" style={{ margin: '0 0 12px' }}>
        {which === 'before' ? '[' : ']'} {title}
      </h2>
      <div style={{ display: 'flex', flexWrap: 'wrap', columnGap: 32 }}>
        <div
          style={{
            flex: '1 1 460px',
            minWidth: 0,
            display: 'grid',
            gap: 14,
            alignContent: 'start',
            gridTemplateColumns: 'minmax(0, 1fr)',
          }}
        >
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 16 }}>
            <TextField
              label="When it was made, local time"
              type="datetime-local"
              required
              value={answers.at === undefined ? '' : localOf(new Date(answers.at))}
              onChange={(event) => event.target.value && put({ at: isoOf(event.target.value) })}
              error={problem !== undefined}
              helperText={problem ?? 'The time on the sheet'}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            {draft.unit.procedures.length > 1 && (
              <TextField
                select
                label="Kind of check"
                value={draft.procedure.id}
                onChange={(event) => put({ procedure: event.target.value })}
                sx={{ minWidth: 220 }}
              >
                {draft.unit.procedures.map((one) => (
                  <MenuItem key={one.id} value={one.id}>
                    {one.title}
                  </MenuItem>
                ))}
              </TextField>
            )}
          </div>
          {steps
            .filter((step) => !isSaid(step))
            .map((step) => (
              <div key={step.id} role="group" aria-label={step.title}>
                <b>{step.title}</b>
                <div style={{ marginTop: 6 }}>
                  <StepBody
                    step={step}
                    draft={draft}
                    answers={answers}
                    put={put}
                    onChosen={put}
                    onEnter={() => undefined}
                  />
                </div>
              </div>
            ))}
          <fieldset style={{ border: 0, margin: 0, padding: 0 }}>
            <legend style={{ color: ink.soft, padding: 0 }}>
              The sheet confirms{' '}
              <button
                type="button"
                className="fn-link"
                onClick={() => say(said.length === confirmed.length ? [] : confirmed.map((step) => step.id))}
              >
                {said.length === confirmed.length ? 'none of it' : 'all of it'}
              </button>
            </legend>
            {confirmed.map((step) => (
              <Tick key={step.id} on={said.includes(step.id)} turn={() => say(turned(said, step.id))}>
                <b>{step.title}.</b> {step.instruction}
              </Tick>
            ))}
          </fieldset>
        </div>
        <div style={{ flex: '0 1 300px' }}>
          <Live draft={draft} />
        </div>
      </div>
    </section>
  );
}
