import Autocomplete from '@mui/material/Autocomplete';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useBeginnings, useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { holds } from '../look/holds';
import { ink } from '../look/theme';
import { localOf } from '../look/words';

type Campaign = Schemas['Campaign'];
type Beginnings = Schemas['CampaignBeginnings'];
type Offered = Schemas['YardstickSet'];

/** A campaign: where, and against what, out of what comes with Footnote or like one before it. */
export function AddCampaign({ campaigns, onClose }: { campaigns: Campaign[]; onClose: () => void }) {
  const beginnings = useBeginnings();
  return beginnings.data ? (
    <Asked beginnings={beginnings.data} campaigns={campaigns} onClose={onClose} />
  ) : null;
}

/** The zone of this device, where the server knows it by the same name. */
const ownZone = (zones: string[]): string | null => {
  const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return zones.includes(own) ? own : null;
};

/** The month, which sorts after the months before it. */
const freeCode = (campaigns: Campaign[]): string => {
  const month = localOf(new Date()).slice(0, 7);
  return campaigns.some((one) => one.id === month) ? '' : month;
};

function Asked({
  beginnings,
  campaigns,
  onClose,
}: {
  beginnings: Beginnings;
  campaigns: Campaign[];
  onClose: () => void;
}) {
  const [form, setForm] = useState(() => ({ id: freeCode(campaigns), title: '', site: '' }));
  const [zone, setZone] = useState<string | null>(() => campaigns.at(-1)?.zone ?? ownZone(beginnings.zones));
  const [like, setLike] = useState('');
  const [chosen, setChosen] = useState<Offered[]>([]);
  const add = useChange(
    () =>
      answer(
        api.POST('/api/campaigns', {
          body: {
            ...form,
            zone: zone ?? '',
            ...(like === '' ? { sets: chosen.map((one) => one.id) } : { like }),
          },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title="Begin a campaign"
      action="Begin"
      problem={add.error}
      busy={add.isPending}
      onClose={onClose}
      onSubmit={() => add.mutate(undefined)}
    >
      <Field
        label="Title"
        value={form.title}
        set={(title) => setForm({ ...form, title })}
        problem={add.error?.of('title')}
        required
      />
      <Field
        label="Code"
        value={form.id}
        set={(id) => setForm({ ...form, id })}
        problem={add.error?.of('id')}
        help="Stays for good; the newest is the last in the order of codes"
        required
      />
      <Autocomplete
        freeSolo
        options={[...new Set(campaigns.map((one) => one.site))]}
        inputValue={form.site}
        onInputChange={(_, site) => setForm({ ...form, site })}
        onChange={(_, site) => setZone(campaigns.find((one) => one.site === site)?.zone ?? zone)}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Site"
            required
            error={add.error?.of('site') !== undefined}
            helperText={add.error?.of('site')}
          />
        )}
      />
      <Autocomplete
        options={beginnings.zones}
        value={zone}
        onChange={(_, picked) => setZone(picked)}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Time zone of the site"
            required
            error={add.error?.of('zone') !== undefined}
            helperText={add.error?.of('zone')}
          />
        )}
      />
      {campaigns.length > 0 && (
        <TextField
          select
          label="Criteria, limits and policy"
          value={like}
          onChange={(event) => setLike(event.target.value)}
          error={add.error?.of('like') !== undefined}
          helperText={add.error?.of('like')}
          sx={{ gridColumn: '1 / -1' }}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">of those that come with Footnote, by the standard policy</MenuItem>
          {campaigns.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              as of {one.id}, {one.title}
            </MenuItem>
          ))}
        </TextField>
      )}
      {like === '' && (
        <Sets sets={beginnings.sets} chosen={chosen} set={setChosen} problem={add.error?.of('sets')} />
      )}
    </Form>
  );
}

/** What results stand against, by what is measured and by whom it is set. */
function Sets({
  sets,
  chosen,
  set,
  problem,
}: {
  sets: Offered[];
  chosen: Offered[];
  set: (chosen: Offered[]) => void;
  problem: string | undefined;
}) {
  const [text, setText] = useState('');
  const found = sets.filter((one) => holds(text, one.agent, one.title, one.source, ...one.holds));
  const agents = [...new Set(found.map((one) => one.agent))];
  return (
    <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0 }}>
      <legend style={{ fontWeight: 600, paddingBottom: 12 }}>Results stand against</legend>
      <Field label="Find by agent, regulation or limit" value={text} set={setText} />
      {agents.map((agent) => (
        <div key={agent} style={{ marginTop: 8 }}>
          <div style={{ color: ink.soft, fontSize: '0.88rem' }}>{agent}</div>
          {found
            .filter((one) => one.agent === agent)
            .map((one) => (
              <label key={one.id} style={{ display: 'block', padding: '3px 0' }}>
                <input
                  type="checkbox"
                  checked={chosen.includes(one)}
                  onChange={(event) =>
                    set(
                      event.target.checked
                        ? [...chosen.filter((other) => one.oneOf === '' || other.oneOf !== one.oneOf), one]
                        : chosen.filter((other) => other !== one),
                    )
                  }
                />{' '}
                {one.title}
                {one.oneOf === '' && <span style={{ color: ink.soft }}> ({one.source})</span>}
                {one.oneOf === '' && (
                  <span style={{ display: 'block', paddingLeft: 22, color: ink.soft, fontSize: '0.88rem' }}>
                    {one.holds.join(' · ')}
                  </span>
                )}
              </label>
            ))}
        </div>
      ))}
      {found.length === 0 && (
        <p style={{ color: ink.soft }}>
          None that comes with Footnote. Own limits are added once it has begun.
        </p>
      )}
      <p style={{ color: ink.soft, fontSize: '0.88rem', margin: '8px 0 0' }}>
        Examples with their source; the limit that binds is the local one. Others, and your own, are added
        under Criteria and limits.
      </p>
      {problem && <p style={{ color: ink.void, margin: 0 }}>{problem}</p>}
    </fieldset>
  );
}
