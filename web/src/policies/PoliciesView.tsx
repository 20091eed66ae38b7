import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Fragment, useState } from 'react';
import { useCampaigns, useChange, usePolicies, useSession } from '../api/hooks';
import { answer, api, type Schemas } from '../api/client';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { mayLead, maySteward } from '../shell/roles';
import { Source } from '../results/notes';
import { Typesetting } from '../results/Typeset';
import { Campaigns } from './Campaigns';
import { Sources } from './Sources';

type Version = Schemas['PolicyVersion'];
type RuleChange = Schemas['RuleChange'];

const severities = ['note', 'corrected', 'qualified', 'void', 'off'];

/** Limits, severities and sources of every policy, side by side; a copy with changes is a new version. */
export function PoliciesView() {
  const policies = usePolicies();
  const campaigns = useCampaigns();
  const session = useSession();
  const [editing, setEditing] = useState<Version | null>(null);
  if (policies.data === undefined || campaigns.data === undefined) {
    return <Lacking of={[policies, campaigns]} />;
  }
  const newest = policies.data.policies.filter((policy) => policy.newest);
  const rules = [...new Set(newest.flatMap((policy) => Object.keys(policy.data.rules)))];
  const first = newest[0];
  if (editing) {
    return (
      <Edit
        base={editing}
        questions={policies.data.questions}
        titles={policies.data.limits}
        onClose={() => setEditing(null)}
      />
    );
  }
  return (
    <Typesetting>
      <h1 className="fn-title" style={{ margin: '0 0 4px' }}>
        Policies
      </h1>
      <Campaigns
        campaigns={campaigns.data.campaigns}
        shipped={campaigns.data.shipped}
        policies={policies.data.policies}
        leads={mayLead(session.data?.user)}
      />
      {newest.length === 0 ? (
        <p style={{ color: ink.soft }}>
          No policy yet: those that come with Footnote are taken over with the first campaign.
        </p>
      ) : (
        <>
          <h2 style={{ marginTop: 26 }}>Rules</h2>
          <p style={{ margin: '0 0 8px', color: ink.soft }}>
            Limits shipped are examples with their source; confirm what is marked &ldquo;to be
            confirmed&rdquo; against your own copy. The limit that binds is the local one. Bold: differs from{' '}
            {first?.data.name}.
          </p>
          <div style={{ overflowX: 'auto' }}>
            <table className="fn-table" style={{ minWidth: 820 }}>
              <thead>
                <tr>
                  <th>Rule</th>
                  {newest.map((policy) => (
                    <th key={policy.key}>
                      {policy.data.name} {policy.version}
                      <div style={{ fontWeight: 400 }}>{policy.data.summary}</div>
                      {maySteward(session.data?.user) && (
                        <Button size="small" onClick={() => setEditing(policy)}>
                          Copy and change
                        </Button>
                      )}
                    </th>
                  ))}
                  <th>Source</th>
                </tr>
              </thead>
              <tbody>
                {policies.data.questions.map(({ of, name, title, answers }) => {
                  // A policy that says nothing works in the usual way, which stands first.
                  const said = (policy: (typeof newest)[number] | undefined) =>
                    policy?.data[of]?.[name] ?? (of === 'choices' ? answers[0]?.value : undefined) ?? '';
                  return (
                    <tr key={name}>
                      <td>{title}</td>
                      {newest.map((policy) => (
                        <td key={policy.key} style={{ fontWeight: said(policy) === said(first) ? 400 : 700 }}>
                          {answers.find((one) => one.value === said(policy))?.words ?? (said(policy) || '–')}
                        </td>
                      ))}
                      <td />
                    </tr>
                  );
                })}
                {rules.map((rule, i) => {
                  const group = rule.split('.')[0] ?? '';
                  const before = rules[i - 1]?.split('.')[0];
                  const base = first?.data.rules[rule];
                  return (
                    <Fragment key={rule}>
                      {group !== before && (
                        <tr>
                          <th
                            colSpan={newest.length + 2}
                            scope="colgroup"
                            style={{ paddingTop: 14, color: ink.text }}
                          >
                            {policies.data.groups[group] ?? group}
                          </th>
                        </tr>
                      )}
                      <tr>
                        <td>{base?.title ?? rule}</td>
                        {newest.map((policy) => {
                          const said = words(policy.data.rules[rule], policies.data.limits);
                          return (
                            <td
                              key={policy.key}
                              style={{ fontWeight: said === words(base, policies.data.limits) ? 400 : 700 }}
                            >
                              {said}
                            </td>
                          );
                        })}
                        <td style={{ color: ink.soft, fontSize: '0.86rem' }}>
                          {base && <Source source={base.source} mark={base.mark} />}
                        </td>
                      </tr>
                    </Fragment>
                  );
                })}
              </tbody>
            </table>
          </div>
        </>
      )}
      <Sources stewards={maySteward(session.data?.user)} />
    </Typesetting>
  );
}

interface PolicyLimit {
  value: string;
  unit?: string;
  comparator?: string;
}

const limitsOf = (rule: Schemas['PolicyRule']) =>
  Object.entries(Array.isArray(rule.limits) ? {} : (rule.limits ?? {})) as [string, PolicyLimit][];

function words(rule: Schemas['PolicyRule'] | undefined, titles: Record<string, string>): string {
  if (!rule || rule.severity === 'off') {
    return 'off';
  }
  const limits = limitsOf(rule).map(([name, limit]) =>
    [
      // Limits of several kinds are told apart by what each is of.
      titles[name] ?? (intervals.includes(limit.unit ?? '') && name !== 'every' ? name : ''),
      limit.comparator && limit.comparator !== 'not more than' ? limit.comparator : '',
      limit.value,
      limit.value === '1' && intervals.includes(limit.unit ?? '') ? limit.unit?.slice(0, -1) : limit.unit,
    ]
      .filter(Boolean)
      .join(' '),
  );
  return limits.length === 0 ? rule.severity : `${rule.severity}: ${limits.join(', ')}`;
}

const intervals = ['hours', 'days', 'months', 'years'];

/** A copy with changes; a changed limit says where it comes from. */
function Edit({
  base,
  questions,
  titles,
  onClose,
}: {
  base: Version;
  questions: Schemas['Policies']['questions'];
  titles: Record<string, string>;
  onClose: () => void;
}) {
  const [id, setId] = useState(base.data.id);
  const [name, setName] = useState(base.data.name);
  const [summary, setSummary] = useState(base.data.summary ?? '');
  const [settles, setSettles] = useState({
    reported: { ...base.data.reported },
    choices: { ...base.data.choices },
  });
  const [changes, setChanges] = useState<Record<string, RuleChange>>({});
  const add = useChange(
    () =>
      answer(
        api.POST('/api/policies', {
          body: { basedOn: base.key, id, name, summary, ...settles, rules: changes },
        }),
      ),
    onClose,
  );
  const change = (rule: string, part: RuleChange) =>
    setChanges({ ...changes, [rule]: { ...changes[rule], ...part } });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined);
      }}
    >
      <h1 className="fn-title" style={{ margin: 0 }}>
        A policy from {base.data.name} {base.version}
      </h1>
      <p style={{ color: ink.soft, margin: '2px 0 12px' }}>
        {base.data.name} stays as it is. The same code gives the next version; another code a policy of its
        own. What a rule looks at never changes, only its limit and its weight.
      </p>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14 }}>
        <TextField
          label="Code"
          value={id}
          onChange={(event) => setId(event.target.value)}
          required
          error={add.error?.of('id') !== undefined}
          helperText={add.error?.of('id')}
        />
        <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} required />
        <TextField
          label="In a sentence"
          value={summary}
          onChange={(event) => setSummary(event.target.value)}
          sx={{ minWidth: 380 }}
        />
        {questions.map(({ of, name, title, answers }) => (
          <TextField
            key={name}
            select
            label={title}
            value={settles[of][name] ?? answers[0]?.value ?? ''}
            onChange={(event) =>
              setSettles({ ...settles, [of]: { ...settles[of], [name]: event.target.value } })
            }
            error={add.error?.of(name) !== undefined}
            sx={{ minWidth: 190 }}
          >
            {answers.map((one) => (
              <MenuItem key={one.value} value={one.value}>
                {one.words}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </div>
      <div style={{ overflowX: 'auto', marginTop: 12 }}>
        <table className="fn-table" style={{ minWidth: 820 }}>
          <thead>
            <tr>
              <th>Rule</th>
              <th>Weighs</th>
              <th>Limits</th>
              <th>Source</th>
            </tr>
          </thead>
          <tbody>
            {Object.entries(base.data.rules).map(([rule, data]) => {
              const own = changes[rule];
              return (
                <tr key={rule} style={own ? { background: ink.faint } : {}}>
                  <td>{data.title}</td>
                  <td>
                    <TextField
                      select
                      value={own?.severity ?? data.severity}
                      onChange={(event) => change(rule, { severity: event.target.value })}
                      slotProps={{ select: { SelectDisplayProps: { 'aria-label': `${data.title} weighs` } } }}
                    >
                      {severities.map((one) => (
                        <MenuItem key={one} value={one}>
                          {one}
                        </MenuItem>
                      ))}
                    </TextField>
                  </td>
                  <td>
                    {limitsOf(data).map(([limit, said]) => (
                      <TextField
                        key={limit}
                        label={`${titles[limit] ?? limit}, ${said.comparator ?? 'not more than'}, ${said.unit ?? ''}`}
                        value={own?.limits?.[limit]?.value ?? said.value}
                        onChange={(event) =>
                          change(rule, {
                            limits: { ...own?.limits, [limit]: { value: event.target.value } },
                            mark: 'own',
                          })
                        }
                        error={add.error?.of(`${rule}/limits/${limit}/value`) !== undefined}
                        sx={{ mr: 1, mb: 1, width: 210 }}
                      />
                    ))}
                  </td>
                  <td>
                    <TextField
                      value={own?.source ?? data.source}
                      onChange={(event) => change(rule, { source: event.target.value })}
                      multiline
                      sx={{ minWidth: 260 }}
                      slotProps={{ htmlInput: { 'aria-label': `Source of ${data.title}` } }}
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Told problem={add.error} />
      <div style={{ display: 'flex', gap: 12, marginTop: 12 }}>
        <Button type="submit" variant="contained" disabled={add.isPending}>
          Add as a new version
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </form>
  );
}
