import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { ink } from '../look/theme';
import { plural } from '../look/words';

type Asked = Schemas['AskedReport'];
type Run = Schemas['ClientReport']['runs'][number];

const nothing: Asked = { title: '', askedBy: '', campaign: '' };

/** What a report is asked to be: for whom, and which runs of a campaign. */
export function AskReport({
  campaigns,
  report,
  begin = '',
  onClose,
  onBegun,
}: {
  campaigns: Schemas['Campaign'][];
  /** That is asked otherwise; without one it is begun. */
  report?: Schemas['ClientReport'];
  /** Campaign that is chosen at first. */
  begin?: string;
  onClose: () => void;
  onBegun?: (id: string) => void;
}) {
  const [form, setForm] = useState<Asked>(
    report?.asked ?? { ...nothing, campaign: begin || (campaigns.at(-1)?.id ?? '') },
  );
  const put = (change: Partial<Asked>) => setForm({ ...form, ...change });
  const ask = useChange(
    () =>
      report
        ? answer(api.POST('/api/reports/{id}/asked', { params: { path: { id: report.id } }, body: form }))
        : answer(api.POST('/api/reports', { body: form })),
    (made) => {
      onClose();
      onBegun?.(made.id);
    },
  );
  const field = (
    name: 'title' | 'askedBy' | 'person' | 'instrument' | 'from' | 'to',
    label: string,
    more = {},
  ) => (
    <Field
      label={label}
      value={form[name] ?? ''}
      set={(value) => put({ [name]: value })}
      problem={ask.error?.of(name)}
      {...more}
    />
  );
  return (
    <Form
      title={report ? `What ${report.id} is asked to be` : 'Begin a report'}
      action={report ? 'Keep' : 'Begin'}
      problem={ask.error}
      busy={ask.isPending}
      onClose={onClose}
      onSubmit={() => ask.mutate(undefined)}
    >
      {field('title', 'Title', { required: true })}
      {field('askedBy', 'For whom', { required: true, help: 'Who asked for it: a client, an inspector' })}
      <TextField
        select
        label="Campaign"
        value={form.campaign}
        disabled={report !== undefined}
        onChange={(event) => put({ campaign: event.target.value })}
        error={ask.error?.of('campaign') !== undefined}
        helperText={ask.error?.of('campaign')}
      >
        {campaigns.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.id} {one.title}
          </MenuItem>
        ))}
      </TextField>
      {field('person', 'One person or place alone', { help: 'Empty: all' })}
      {field('instrument', 'One instrument alone', { help: 'Empty: all' })}
      {field('from', 'First day', { type: 'date' })}
      {field('to', 'Last day', { type: 'date' })}
      <FormControlLabel
        sx={{ gridColumn: '1 / -1' }}
        control={
          <Checkbox
            checked={form.schools ?? false}
            onChange={(event) => put({ schools: event.target.checked })}
          />
        }
        label="Tell beside each result how the other policies judge it"
      />
      {report && <Runs runs={report.runs} without={form.without ?? []} set={(without) => put({ without })} />}
    </Form>
  );
}

/** Which runs are left out by name: the report says so. */
function Runs({ runs, without, set }: { runs: Run[]; without: string[]; set: (without: string[]) => void }) {
  const offered = runs.filter((run) => run.in || without.includes(run.run));
  const elsewhere = runs.length - offered.length;
  return (
    <fieldset style={{ gridColumn: '1 / -1', border: `1px solid ${ink.rule}`, margin: 0 }}>
      <legend>Runs in it</legend>
      <p style={{ margin: '0 0 6px', color: ink.soft, fontSize: '0.88rem' }}>
        What is left out is named on the report.
        {elsewhere > 0 &&
          ` ${plural(elsewhere, 'run')} of the campaign ${elsewhere === 1 ? 'is' : 'are'} not among them by the choice above.`}
      </p>
      <div style={{ maxHeight: 260, overflowY: 'auto' }}>
        {offered.map((run) => (
          <FormControlLabel
            key={run.run}
            sx={{ display: 'flex' }}
            control={
              <Checkbox
                size="small"
                checked={!without.includes(run.run)}
                onChange={(event) =>
                  set(event.target.checked ? without.filter((one) => one !== run.run) : [...without, run.run])
                }
              />
            }
            label={`${run.run}: ${run.person}, ${run.task}, ${run.day}, ${run.instrument}`}
          />
        ))}
      </div>
    </fieldset>
  );
}
