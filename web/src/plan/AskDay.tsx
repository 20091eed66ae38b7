import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Refusal } from '../api/client';
import { useBench, useKit, usePlanForm, useRunNames } from '../api/hooks';
import { OneOf } from '../look/Asked';
import { Entries } from '../look/Entries';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { ChooseCampaign } from '../runs/ChooseCampaign';
import { type DayAsked, hourOf, nextRow, sent, type WantedRow, waysOf } from './asked';

/** What of a sample follows from the day itself. */
const FOLLOWS = ['shiftMinutes', 'unit'];

/** What is wanted of a day: typed as it is said, most important first. */
export function AskDay({
  first,
  word,
  busy,
  problem,
  plan,
}: {
  first: DayAsked;
  word: string;
  busy: boolean;
  problem: Refusal | null;
  plan: (asked: DayAsked) => void;
}) {
  const [asked, setAsked] = useState(first);
  const put = (change: Partial<DayAsked>) => setAsked({ ...asked, ...change });
  const names = useRunNames(asked.campaign, asked.campaign !== '');
  const form = usePlanForm();
  const kit = useKit();
  const bench = useBench();
  const practice = new Set((bench.data?.units ?? []).filter((one) => one.practice).map((one) => one.id));
  const units = (kit.data?.instruments ?? []).filter((one) => !one.retired && !practice.has(one.id));
  const families = [...new Map(units.map((one) => [one.family, one.familyTitle]))];
  const wrong = (field: string) => problem?.problem.fields.find((one) => one.field === field)?.problem;
  const ways = waysOf(asked);
  return (
    <form
      className="fn-ask-day"
      onSubmit={(event) => {
        event.preventDefault();
        // What was typed is sent by the form that asked for it: without it nothing is sent.
        if (form.data !== undefined) {
          plan(sent(asked, form.data));
        }
      }}
    >
      <datalist id="plan-people">
        {(names.data?.persons ?? []).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <datalist id="plan-tasks">
        {(names.data?.tasks ?? []).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <datalist id="plan-places">
        {[...new Set(asked.wanted.map((one) => one.place))].map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <div className="fn-ask-row">
        <TextField
          label="Day"
          type="date"
          required
          value={asked.day}
          onChange={(event) => put({ day: event.target.value })}
          error={wrong('/day') !== undefined}
          helperText={wrong('/day')}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 170 }}
        />
        <div style={{ minWidth: 260 }}>
          <ChooseCampaign value={asked.campaign} set={(campaign) => put({ campaign })} />
        </div>
        <TextField
          label="Where kit is kept and checked"
          required
          value={asked.base}
          onChange={(event) => put({ base: event.target.value })}
        />
      </div>

      <h2>What is wanted</h2>
      <p className="fn-ask-help">What matters most first: where not all can be done, the last is left out.</p>
      {asked.wanted.map((row, at) => (
        <WantedLine
          key={at}
          at={at}
          row={row}
          families={families}
          units={units.filter((one) => one.family === row.family).map((one) => one.id)}
          crew={asked.crew.map((one) => one.name).filter((name) => name !== '')}
          wrong={(field) => wrong(`/wanted/${at}/${field}`)}
          set={(change) =>
            put({ wanted: asked.wanted.map((one, place) => (place === at ? { ...one, ...change } : one)) })
          }
          leave={
            asked.wanted.length > 1
              ? () => put({ wanted: asked.wanted.filter((_, place) => place !== at) })
              : null
          }
        />
      ))}
      <Button size="small" onClick={() => put({ wanted: [...asked.wanted, nextRow(asked.wanted)] })}>
        Another measurement
      </Button>

      <div className="fn-ask-halves">
        <section aria-labelledby="plan-crew">
          <h2 id="plan-crew">Who goes</h2>
          {asked.crew.map((one, at) => {
            const set = (change: Partial<typeof one>) =>
              put({
                crew: asked.crew.map((other, place) => (place === at ? { ...other, ...change } : other)),
              });
            return (
              <div key={at} className="fn-ask-row" role="group" aria-label={`Person ${at + 1}`}>
                <TextField
                  label="Name"
                  required
                  value={one.name}
                  onChange={(event) => set({ name: event.target.value })}
                  error={wrong(`/crew/${at}/name`) !== undefined}
                  helperText={wrong(`/crew/${at}/name`)}
                  sx={{ width: 140 }}
                />
                <Hour
                  label="There from"
                  value={one.from}
                  set={(from) => set({ from })}
                  wrong={wrong(`/crew/${at}/from`)}
                />
                <Hour
                  label="Until"
                  value={one.to}
                  set={(to) => set({ to })}
                  wrong={wrong(`/crew/${at}/to`)}
                />
                {asked.crew.length > 1 && (
                  <Button
                    size="small"
                    aria-label={`Leave out ${one.name === '' ? `person ${at + 1}` : one.name}`}
                    onClick={() => put({ crew: asked.crew.filter((_, place) => place !== at) })}
                  >
                    Leave out
                  </Button>
                )}
              </div>
            );
          })}
          <Button
            size="small"
            onClick={() => put({ crew: [...asked.crew, { name: '', from: '06:00', to: '17:00' }] })}
          >
            Another person
          </Button>
        </section>
        <section aria-labelledby="plan-ways">
          <h2 id="plan-ways">Minutes on the way and by hand</h2>
          {ways.map((way) => (
            <Minutes
              key={`${way.one}\n${way.other}`}
              label={`${way.one} to ${way.other}`}
              value={way.minutes}
              set={(minutes) =>
                put({ ways: ways.map((other) => (other === way ? { ...other, minutes } : other)) })
              }
            />
          ))}
          {wrong('/ways') && <p style={{ color: ink.void, margin: '2px 0' }}>The ways {wrong('/ways')}</p>}
          <Minutes
            label="Switching a unit on"
            value={asked.handling.switchOn}
            set={(switchOn) => put({ handling: { ...asked.handling, switchOn } })}
          />
          <Minutes
            label="Fitting and starting"
            value={asked.handling.fit}
            set={(fit) => put({ handling: { ...asked.handling, fit } })}
          />
          <Minutes
            label="Stopping and taking off"
            value={asked.handling.takeOff}
            set={(takeOff) => put({ handling: { ...asked.handling, takeOff } })}
          />
          <Minutes
            label="People are there so long before"
            value={asked.handling.notSooner}
            set={(notSooner) => put({ handling: { ...asked.handling, notSooner } })}
            wrong={wrong('/handling/notSooner')}
          />
        </section>
      </div>
      <Told problem={problem} />
      <div style={{ display: 'flex', gap: 14, alignItems: 'center', marginTop: 14 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={busy || form.data === undefined}
          sx={{ minHeight: 48 }}
        >
          {word}
        </Button>
        <span style={{ color: ink.soft }}>
          How long a check takes, warm-up and battery come from the sheet of the model.
        </span>
      </div>
    </form>
  );
}

interface Typed {
  label: string;
  value: string;
  set: (value: string) => void;
  wrong?: string | undefined;
}

function Hour({ label, value, set, wrong }: Typed) {
  return (
    <TextField
      label={label}
      required
      value={value}
      onChange={(event) => set(event.target.value)}
      onBlur={() => set(hourOf(value))}
      error={wrong !== undefined}
      helperText={wrong}
      slotProps={{ htmlInput: { inputMode: 'numeric', maxLength: 5 } }}
      sx={{ width: 96 }}
    />
  );
}

function Minutes({ label, value, set, wrong }: Typed) {
  return (
    <label className="fn-ask-minutes">
      <span>{label}</span>
      <TextField
        required
        value={value}
        onChange={(event) => set(event.target.value)}
        error={wrong !== undefined}
        helperText={wrong}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${label}, minutes` } }}
        sx={{ width: 84 }}
      />
      <span>min</span>
    </label>
  );
}

function WantedLine({
  at,
  row,
  families,
  units,
  crew,
  wrong,
  set,
  leave,
}: {
  at: number;
  row: WantedRow;
  families: (readonly [string, string])[];
  units: string[];
  crew: string[];
  wrong: (field: string) => string | undefined;
  set: (change: Partial<WantedRow>) => void;
  leave: (() => void) | null;
}) {
  const form = usePlanForm();
  const sizes = form.data?.families.includes(row.family) ?? false;
  const demands = form.data?.demands.find((one) => one.family === row.family)?.entries ?? [];
  const [open, setOpen] = useState(row.sample !== undefined);
  const [demanding, setDemanding] = useState(row.demands !== undefined);
  const text = (name: 'person' | 'task' | 'place', label: string, list: string) => (
    <TextField
      label={label}
      required
      value={row[name]}
      onChange={(event) => set({ [name]: event.target.value })}
      error={wrong(name) !== undefined}
      helperText={wrong(name)}
      slotProps={{ htmlInput: { list } }}
      sx={{ width: 138 }}
    />
  );
  return (
    <div role="group" aria-label={`Measurement ${at + 1}`} className="fn-ask-wanted">
      <div className="fn-ask-row">
        <span className="fn-figure" style={{ color: ink.soft, width: 18 }}>
          {at + 1}
        </span>
        {text('person', 'Person or spot', 'plan-people')}
        {text('task', 'Task', 'plan-tasks')}
        {text('place', 'Place', 'plan-places')}
        <OneOf
          label="Instrument"
          value={row.family}
          set={(family) => set({ family, unit: '', demands: {} })}
          options={families}
          all="Choose"
        />
        <Hour label="From" value={row.from} set={(from) => set({ from })} wrong={wrong('from')} />
        <Hour label="To" value={row.to} set={(to) => set({ to })} wrong={wrong('to')} />
        <OneOf
          label="Unit"
          value={row.unit ?? ''}
          set={(unit) => set({ unit })}
          options={units.map((one) => [one, one] as const)}
          all="The plan chooses"
        />
        <OneOf
          label="Attended by"
          value={row.by ?? ''}
          set={(by) => set({ by })}
          options={crew.map((one) => [one, one] as const)}
          all="The plan chooses"
        />
        {demands.length > 0 && (
          <Button size="small" aria-expanded={demanding} onClick={() => setDemanding(!demanding)}>
            The unit must
          </Button>
        )}
        {sizes && (
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            Sample
          </Button>
        )}
        {leave !== null && (
          <Button size="small" aria-label={`Leave out measurement ${at + 1}`} onClick={leave}>
            Leave out
          </Button>
        )}
      </div>
      {wrong('family') && (
        <p style={{ color: ink.void, margin: '2px 0 2px 26px' }}>The instrument {wrong('family')}</p>
      )}
      {wrong('unit') && <p style={{ color: ink.void, margin: '2px 0 2px 26px' }}>The unit {wrong('unit')}</p>}
      {wrong('demands') && (
        <p style={{ color: ink.void, margin: '2px 0 2px 26px' }}>What the unit must {wrong('demands')}</p>
      )}
      {demanding && demands.length > 0 && (
        <div className="fn-ask-sample" role="group" aria-label="What the unit must be able to">
          <Entries
            entries={demands}
            values={row.demands ?? {}}
            put={(change) => set({ demands: { ...row.demands, ...change } })}
            problem={(name) => wrong(`demands/${name}`)}
          />
        </div>
      )}
      {sizes && open && (
        <div className="fn-ask-sample">
          <Entries
            entries={(form.data?.entries ?? []).filter((one) => !FOLLOWS.includes(one.name))}
            values={row.sample ?? {}}
            put={(change) => set({ sample: { ...row.sample, ...change } })}
            problem={(name) => wrong(`sample/${name}`)}
          />
        </div>
      )}
    </div>
  );
}
