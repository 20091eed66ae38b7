import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { OneOf, Typed } from '../look/Asked';
import { useCampaigns, useKit, useRunNames, type LedgerFilter } from '../api/hooks';

type Name = keyof LedgerFilter;

/** What is asked for more rarely; shown where one of them is set. */
const RARER: Name[] = ['person', 'task', 'instrument', 'family', 'from', 'to'];

/** Which runs are looked at: by campaign, verdict, decision and words, and where it is wanted by more. */
export function Choose({
  filter,
  set,
  clear,
}: {
  filter: LedgerFilter;
  set: (name: Name, value: string) => void;
  clear: () => void;
}) {
  const campaigns = useCampaigns();
  const [more, setMore] = useState(RARER.some((name) => filter[name] !== undefined));
  const names = useRunNames(filter.campaign, more);
  const kit = useKit(more);
  const isSet = Object.keys(filter).some((name) => name !== 'page');
  const typed = (name: 'text' | 'from' | 'to', label: string, type: 'search' | 'date') => (
    <Typed label={label} type={type} value={filter[name] ?? ''} set={(value) => set(name, value)} />
  );
  return (
    <>
      <OneOf
        label="Campaign"
        value={filter.campaign ?? ''}
        set={(value) => set('campaign', value)}
        options={(campaigns.data?.campaigns ?? []).map((one) => [one.id, one.title] as const)}
        all="all campaigns"
      />
      <OneOf
        label="Proposed"
        value={filter.verdict ?? ''}
        set={(value) => set('verdict', value)}
        options={['valid', 'corrected', 'qualified', 'open', 'void'].map(
          (verdict) => [verdict, verdict] as const,
        )}
        all="any verdict"
      />
      <OneOf
        label="Decided"
        value={filter.decided ?? ''}
        set={(value) => set('decided', value)}
        options={[
          ['no', 'not yet'],
          ['yes', 'decided'],
        ]}
        all="either"
      />
      {typed('text', 'With the words', 'search')}
      <Button size="small" aria-expanded={more} onClick={() => setMore(!more)}>
        {more ? 'Less' : 'Person, unit, days'}
      </Button>
      {isSet && (
        <Button size="small" onClick={clear}>
          Show all
        </Button>
      )}
      {more && (
        <div style={{ flexBasis: '100%', display: 'flex', flexWrap: 'wrap', gap: 12 }}>
          <Pick
            label="Person"
            value={filter.person}
            set={(value) => set('person', value)}
            among={names.data?.persons}
          />
          <Pick
            label="Task"
            value={filter.task}
            set={(value) => set('task', value)}
            among={names.data?.tasks}
            wide
          />
          <Pick
            label="Unit"
            value={filter.instrument}
            set={(value) => set('instrument', value)}
            among={kit.data?.instruments.map((one) => one.id)}
          />
          <OneOf
            label="Measured by"
            value={filter.family ?? ''}
            set={(value) => set('family', value)}
            options={(names.data?.families ?? []).map((one) => [one.id, one.title] as const)}
            all="any"
          />
          {typed('from', 'From', 'date')}
          {typed('to', 'Through', 'date')}
        </div>
      )}
    </>
  );
}

/** One of many names, found by typing. */
function Pick({
  label,
  value,
  set,
  among = [],
  wide = false,
}: {
  label: string;
  value: string | undefined;
  set: (value: string) => void;
  among?: string[] | undefined;
  wide?: boolean;
}) {
  return (
    <Autocomplete
      // What stands in the address may be of another campaign: it is shown all the same, and can be taken away.
      options={value !== undefined && !among.includes(value) ? [value, ...among] : among}
      value={value ?? null}
      onChange={(_, chosen) => set(chosen ?? '')}
      sx={{ width: wide ? 240 : 140 }}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
}
