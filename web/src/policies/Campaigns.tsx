import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { useAdding } from '../look/adding';
import { holds } from '../look/holds';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { plural } from '../look/words';
import { AddCampaign } from './AddCampaign';

type Campaign = Schemas['Campaign'];

/** Which policy, criteria and limits each campaign is judged by. */
export function Campaigns({
  campaigns,
  shipped,
  policies,
  leads,
}: {
  campaigns: Campaign[];
  shipped: Schemas['Yardsticks'] | undefined;
  policies: Schemas['PolicyVersion'][];
  leads: boolean;
}) {
  const [adding, setAdding] = useAdding();
  const [defining, setDefining] = useState<Campaign | null>(null);
  const judge = useChange(({ id, policy, instead }: { id: string; policy: string; instead: string }) =>
    answer(api.POST('/api/campaigns/{id}/policy', { params: { path: { id } }, body: { policy, instead } })),
  );
  return (
    <section>
      <div style={{ display: 'flex', alignItems: 'baseline', gap: 14 }}>
        <h2 style={{ margin: '8px 0 4px', flex: 1 }}>Campaigns</h2>
        {leads && <Button onClick={() => setAdding('campaign')}>Begin a campaign</Button>}
      </div>
      {campaigns.length === 0 && <p style={{ color: ink.soft }}>No campaign yet. Runs belong to one.</p>}
      {campaigns.map((campaign) => (
        <div
          key={campaign.id}
          style={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 14,
            alignItems: 'center',
            borderTop: `1px solid ${ink.faint}`,
            padding: '8px 0',
          }}
        >
          <div style={{ flex: '1 1 260px' }}>
            <b>{campaign.id}</b> {campaign.title}, {campaign.site}{' '}
            <span style={{ color: ink.soft }}>({plural(campaign.runs, 'run')})</span>
            <div style={{ color: ink.soft, fontSize: '0.88rem' }}>
              {campaign.criteria.map((criterion) => criterion.name).join(', ') || 'no dose criterion'} ·{' '}
              {plural(campaign.limits.length, 'limit')}:{' '}
              {campaign.limits
                .map((limit) => `${limit.title} ${limit.comparator} ${limit.value} ${limit.unit ?? ''}`)
                .join(', ')}
            </div>
            {campaign.policyChanged && (
              <div style={{ color: ink.qualified, fontWeight: 600 }}>
                The policy was changed after results were seen.
              </div>
            )}
          </div>
          <TextField
            select
            label="Judged by"
            value={campaign.policy}
            disabled={!leads}
            onChange={(event) =>
              judge.mutate({ id: campaign.id, policy: event.target.value, instead: campaign.policy })
            }
            sx={{ minWidth: 170 }}
          >
            {policies.map((policy) => (
              <MenuItem key={policy.key} value={policy.key}>
                {policy.data.name} {policy.version}
              </MenuItem>
            ))}
          </TextField>
          {leads && <Button onClick={() => setDefining(campaign)}>Criteria and limits</Button>}
        </div>
      ))}
      <Told problem={judge.error} />
      {leads && adding === 'campaign' && (
        <AddCampaign campaigns={campaigns} onClose={() => setAdding(null)} />
      )}
      {defining && shipped && (
        <Define campaign={defining} shipped={shipped} onClose={() => setDefining(null)} />
      )}
    </section>
  );
}

/** What is chosen stays in sight, whatever is looked for. */
const isChosen = (chosen: { id: string }[], one: { id: string }) =>
  chosen.some((other) => other.id === one.id);

/** Criteria and limits: shipped ones by choice, and any of one's own. */
function Define({
  campaign,
  shipped,
  onClose,
}: {
  campaign: Campaign;
  shipped: Schemas['Yardsticks'];
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [criteria, setCriteria] = useState(campaign.criteria);
  const [limits, setLimits] = useState(campaign.limits);
  const [criterion, setCriterion] = useState({
    name: '',
    level: '',
    exchangeRate: '',
    threshold: '',
    source: '',
  });
  const [limit, setLimit] = useState({
    title: '',
    quantity: campaign.quantities[0]?.value ?? '',
    value: '',
    comparator: '>',
    source: '',
    mixture: '',
  });
  const save = useChange(
    () =>
      answer(
        api.POST('/api/campaigns/{id}/yardsticks', {
          params: { path: { id: campaign.id } },
          body: { version: campaign.version, criteria, limits },
        }),
      ),
    onClose,
  );
  const slug = (title: string) =>
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'own';
  const allCriteria = [
    ...shipped.criteria,
    ...criteria.filter((one) => !shipped.criteria.some((other) => other.id === one.id)),
  ].filter((one) => isChosen(criteria, one) || holds(text, one.name, one.level, one.source));
  const allLimits = [
    ...shipped.limits,
    ...limits.filter((one) => !shipped.limits.some((other) => other.id === one.id)),
  ].filter(
    (one) =>
      isChosen(limits, one) ||
      holds(text, one.title, one.quantity, one.value, one.unit, one.source, one.scope),
  );
  const quantities = [
    ...campaign.quantities,
    ...criteria
      .filter((one) => one.level && !campaign.quantities.some((known) => known.value === `dose:${one.id}`))
      .flatMap((one) => [
        { value: `dose:${one.id}`, words: `dose by ${one.id}`, unit: '%', of: 'Criteria chosen here' },
        { value: `twa:${one.id}`, words: `TWA by ${one.id}`, unit: 'dB(A)', of: 'Criteria chosen here' },
      ]),
  ];
  return (
    <Form
      title={`What ${campaign.title} measures against`}
      action="Save"
      problem={save.error}
      busy={save.isPending}
      onClose={onClose}
      onSubmit={() => save.mutate(undefined)}
    >
      <div style={{ gridColumn: '1 / -1' }}>
        <Field label="Find by name, value or source" value={text} set={setText} />
      </div>
      <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0 }}>
        <legend style={{ fontWeight: 600 }}>Criteria</legend>
        {allCriteria.map((one) => (
          <label key={one.id} style={{ display: 'block', padding: '3px 0' }}>
            <input
              type="checkbox"
              checked={isChosen(criteria, one)}
              onChange={(event) =>
                setCriteria([
                  // Only one set of reference conditions holds at a time.
                  ...criteria.filter(
                    (own) => own.id !== one.id && !(event.target.checked && one.conditions && own.conditions),
                  ),
                  ...(event.target.checked ? [one] : []),
                ])
              }
            />{' '}
            {one.conditions
              ? `Volumes and concentrations stated ${one.name === 'as sampled' ? one.name : `at ${one.name}`}.`
              : `${one.name}: ${one.level ?? ''} dB, exchange ${one.exchangeRate ?? ''}, threshold ${one.threshold ?? 'none'}.`}{' '}
            <span style={{ color: ink.soft }}>{one.source}</span>
          </label>
        ))}
      </fieldset>
      <Field
        label="Own criterion, name"
        value={criterion.name}
        set={(name) => setCriterion({ ...criterion, name })}
      />
      <Field
        label="Level, dB"
        value={criterion.level}
        set={(level) => setCriterion({ ...criterion, level })}
      />
      <Field
        label="Exchange rate"
        value={criterion.exchangeRate}
        set={(exchangeRate) => setCriterion({ ...criterion, exchangeRate })}
      />
      <Field
        label="Threshold, dB, or none"
        value={criterion.threshold}
        set={(threshold) => setCriterion({ ...criterion, threshold })}
      />
      <Field
        label="Source"
        value={criterion.source}
        set={(source) => setCriterion({ ...criterion, source })}
      />
      <Button
        disabled={!criterion.name || !criterion.level || !criterion.exchangeRate || !criterion.source}
        onClick={() => {
          setCriteria([
            ...criteria,
            {
              id: slug(criterion.name),
              name: criterion.name,
              level: criterion.level,
              exchangeRate: criterion.exchangeRate,
              source: criterion.source,
              mark: 'own',
              ...(criterion.threshold ? { threshold: criterion.threshold } : {}),
            },
          ]);
          setCriterion({ name: '', level: '', exchangeRate: '', threshold: '', source: '' });
        }}
      >
        Add criterion
      </Button>
      <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0 }}>
        <legend style={{ fontWeight: 600 }}>Limits</legend>
        {allLimits.map((one) => (
          <label key={one.id} style={{ display: 'block', padding: '3px 0' }}>
            <input
              type="checkbox"
              checked={isChosen(limits, one)}
              onChange={(event) =>
                setLimits(event.target.checked ? [...limits, one] : limits.filter((own) => own.id !== one.id))
              }
            />{' '}
            {one.title}: {one.quantity} {one.comparator} {one.value} {one.unit}.{' '}
            <span style={{ color: ink.soft }}>
              {one.source}
              {one.scope ? `, ${one.scope}` : ''}
            </span>
          </label>
        ))}
      </fieldset>
      <Field label="Own limit, title" value={limit.title} set={(title) => setLimit({ ...limit, title })} />
      <Autocomplete
        options={quantities}
        groupBy={(one) => one.of}
        getOptionLabel={(one) => one.words + (one.unit && `, ${one.unit}`)}
        getOptionKey={(one) => one.value}
        isOptionEqualToValue={(one, other) => one.value === other.value}
        value={quantities.find((one) => one.value === limit.quantity) ?? null}
        onChange={(_, picked) => setLimit({ ...limit, quantity: picked?.value ?? '' })}
        renderInput={(params) => <TextField {...params} label="Quantity: type its name" />}
      />
      <TextField
        select
        label="Crossed when"
        value={limit.comparator}
        onChange={(event) => setLimit({ ...limit, comparator: event.target.value })}
      >
        <MenuItem value=">">greater</MenuItem>
        <MenuItem value=">=">equal or greater</MenuItem>
        <MenuItem value="<">less, as of oxygen</MenuItem>
      </TextField>
      <Field label="Value" value={limit.value} set={(value) => setLimit({ ...limit, value })} />
      <Field label="Source" value={limit.source} set={(source) => setLimit({ ...limit, source })} />
      <Field
        label="Mixture, where substances add up"
        value={limit.mixture}
        set={(mixture) => setLimit({ ...limit, mixture })}
      />
      <Button
        disabled={!limit.title || !limit.quantity || !limit.value || !limit.source}
        onClick={() => {
          setLimits([
            ...limits,
            {
              id: slug(limit.title),
              title: limit.title,
              quantity: limit.quantity,
              value: limit.value,
              unit: quantities.find((one) => one.value === limit.quantity)?.unit ?? '',
              ...(limit.mixture.trim() ? { mixture: limit.mixture.trim() } : {}),
              comparator: limit.comparator === '>=' || limit.comparator === '<' ? limit.comparator : '>',
              scope: '',
              source: limit.source,
              mark: 'own',
            },
          ]);
          setLimit({
            title: '',
            quantity: quantities[0]?.value ?? '',
            value: '',
            comparator: '>',
            source: '',
            mixture: '',
          });
        }}
      >
        Add limit
      </Button>
    </Form>
  );
}
