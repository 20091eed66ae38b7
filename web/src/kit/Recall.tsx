import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { goesOn, useChange, useWhatIfs, type Owner } from '../api/hooks';
import { isoOf, localOf, moment } from '../look/words';
import { Field, Form } from './Form';

/** A recall, as it is thought of: since when, what was found, and how far it was off with its sign, or that nobody knows. */
export function Recall({
  owner,
  id,
  errorUnit = null,
  onClose,
}: {
  owner: Owner;
  id: string;
  /** Of a reference: in which it is told how far it was off; without one nothing can be taken out. */
  errorUnit?: string | null;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const others = useWhatIfs(owner, id).data?.asked ?? [];
  const [since, setSince] = useState('');
  const [until, setUntil] = useState(() => localOf(new Date()));
  const [reason, setReason] = useState('');
  const [known, setKnown] = useState(errorUnit ? '' : 'no');
  const [error, setError] = useState('');
  const recall = useChange(
    () => {
      const params = { path: { id } };
      const body = { since: isoOf(since), ...(until ? { until: isoOf(until) } : {}), reason };
      return owner === 'references'
        ? answer(
            api.POST('/api/kit/references/{id}/what-if', {
              params,
              body: { ...body, error: known === 'yes' ? error : null },
            }),
          )
        : answer(api.POST('/api/kit/instruments/{id}/what-if', { params, body }));
    },
    (told) => void navigate(`/recalls/${told.asked.id}`),
  );
  return (
    <Form
      title={`Recall ${id}`}
      action="See what it would change"
      problem={recall.error}
      busy={recall.isPending}
      onClose={onClose}
      onSubmit={() => recall.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        First you see every result that leaned on it, as it stands and as it would be. Nothing is changed
        before you recall it there.
        {owner === 'instruments' &&
          ' What it showed meanwhile shows nothing then: its runs of that time, and its checks of that time for every run beside them.'}
        {others.slice(0, 3).map((one) => (
          <span key={one.id} style={{ display: 'block' }}>
            <Link to={`/recalls/${one.id}`}>
              {one.by} asked on {moment(one.at)}: {one.recall.reason}
            </Link>
            {goesOn(one) ? ', being worked out' : ''}
          </span>
        ))}
      </p>
      <Field
        label="Not to be trusted since, local time"
        type="datetime-local"
        value={since}
        set={setSince}
        problem={recall.error?.of('since')}
        help={
          owner === 'references'
            ? 'Where nobody knows: since its last good certificate'
            : 'Where nobody knows: since its last good check'
        }
        required
      />
      <Field
        label="Found wrong on, local time"
        type="datetime-local"
        value={until}
        set={setUntil}
        problem={recall.error?.of('until')}
      />
      <Field
        label="What was found"
        value={reason}
        set={setReason}
        problem={recall.error?.of('reason')}
        required
      />
      {owner === 'references' && (
        <TextField
          select
          label="How far it was off"
          value={known}
          required
          disabled={!errorUnit}
          onChange={(event) => setKnown(event.target.value)}
          helperText={
            known === 'no' ? 'No limit of a result that used it is then robust' : 'A known error is taken out'
          }
          slotProps={{ inputLabel: { shrink: true } }}
        >
          <MenuItem value="yes">is known</MenuItem>
          <MenuItem value="no">is not known</MenuItem>
        </TextField>
      )}
      {known === 'yes' && (
        <Field
          label={`True value less the certified one, ${errorUnit}`}
          value={error}
          set={setError}
          problem={recall.error?.of('error')}
          help={
            errorUnit === '%'
              ? 'With its sign: −10 where it truly is 10 % less than it says, of all it tells'
              : `With its sign: 0.3 where it truly is 0.3 ${errorUnit} above its certificate`
          }
          required
        />
      )}
    </Form>
  );
}
