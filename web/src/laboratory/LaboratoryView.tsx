import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useCampaigns, useChange, useLaboratory, useSession } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { Practice } from '../look/Practice';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { moment, plural } from '../look/words';
import { mayRecord } from '../shell/roles';
import { ReadReport } from './ReadReport';
import { asked, TypeReport } from './TypeReport';

/** What went to laboratories, what came back, and what is still awaited. */
export function LaboratoryView() {
  const laboratory = useLaboratory();
  const campaigns = useCampaigns();
  const session = useSession();
  const [doing, setDoing] = useState<'file' | 'type' | 'blank' | null>(null);
  const [asking, setAsking] = useState<Schemas['Report'] | null>(null);
  if (laboratory.data === undefined || campaigns.data === undefined) {
    return <Lacking of={[laboratory, campaigns]} />;
  }
  const { reports, awaited, blanks } = laboratory.data;
  const records = mayRecord(session.data?.user);
  const close = () => setDoing(null);
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Laboratory
        </h1>
        <span style={{ flex: 1 }} />
        {records && (
          <>
            <Button variant="contained" onClick={() => setDoing('file')}>
              Read a report from a file
            </Button>
            <Button variant="outlined" onClick={() => setDoing('type')}>
              Type a report
            </Button>
            <Button onClick={() => setDoing('blank')}>Register a blank</Button>
          </>
        )}
      </div>
      <p style={{ margin: '4px 0 0', color: ink.soft }}>
        Chain of custody to print:{' '}
        {campaigns.data.campaigns.map((campaign, i) => (
          <span key={campaign.id}>
            {i > 0 && ', '}
            <Link to={`/custody/${campaign.id}`}>{campaign.title}</Link>
          </span>
        ))}
      </p>
      <h2>Awaited</h2>
      {awaited.length === 0 ? (
        <p style={{ color: ink.soft }}>Every medium that was sampled on has its report.</p>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table" style={{ maxWidth: 900 }}>
            <thead>
              <tr>
                <th>Medium</th>
                <th>Run</th>
                <th>Who and what</th>
                <th>Sampled</th>
              </tr>
            </thead>
            <tbody>
              {awaited.map((one) => (
                <tr key={one.run}>
                  <td>
                    <b>{one.medium}</b>
                  </td>
                  <td>
                    <Link to={`/results/${one.run}`}>{one.run}</Link>
                  </td>
                  <td>
                    {one.person}, {one.task}
                  </td>
                  <td>{moment(one.start)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <h2>Reports</h2>
      {reports.length === 0 ? (
        <p style={{ color: ink.soft }}>No report has come yet.</p>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table">
            <thead>
              <tr>
                <th>Report</th>
                <th>Laboratory</th>
                <th>Received</th>
                <th className="num">Rows</th>
                <th>Blanks subtracted there?</th>
                <th>Desorption corrected there?</th>
                <th aria-label="Action" />
              </tr>
            </thead>
            <tbody>
              {reports.map((report) => (
                <tr key={report.id}>
                  <td>
                    <b>{report.number}</b> {report.simulated && <Practice />}
                    {report.file && (
                      <div style={{ fontSize: '0.84rem' }}>
                        <a href={`/api/laboratory/reports/${report.id}/file`}>{report.file}</a>
                      </div>
                    )}
                    {report.unmatched.length > 0 && (
                      <div style={{ color: ink.qualified, fontSize: '0.86rem' }}>
                        neither sample nor blank: {report.unmatched.join(', ')}
                      </div>
                    )}
                  </td>
                  <td>{report.laboratory}</td>
                  <td>{report.received}</td>
                  <td className="num fn-figure">{report.rows}</td>
                  <td>
                    <State state={report.blankCorrected} />
                  </td>
                  <td>
                    <State state={report.desorptionCorrected} />
                  </td>
                  <td style={{ textAlign: 'right' }}>
                    {records && (
                      <Button size="small" onClick={() => setAsking(report)}>
                        The laboratory said
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <h2>Blanks</h2>
      {blanks.length === 0 ? (
        <p style={{ color: ink.soft }}>None kept. Methods want field blanks beside the samples.</p>
      ) : (
        <p style={{ margin: 0 }}>
          {plural(blanks.length, 'blank')}:{' '}
          {blanks
            .map(
              (blank) =>
                `${blank.medium} (${blank.kind}${blank.reported ? '' : ', not reported yet'}${blank.note ? `, ${blank.note}` : ''})`,
            )
            .join(', ')}
        </p>
      )}
      {doing === 'file' && <ReadReport onClose={close} />}
      {doing === 'type' && <TypeReport onClose={close} />}
      {doing === 'blank' && <KeepBlank campaigns={campaigns.data.campaigns} onClose={close} />}
      {asking && <Said report={asking} onClose={() => setAsking(null)} />}
    </>
  );
}

function State({ state }: { state: 'yes' | 'no' | 'unknown' }) {
  return state === 'unknown' ? (
    <b style={{ color: ink.qualified }}>△ not known: ask</b>
  ) : (
    <span>{state}</span>
  );
}

function KeepBlank({ campaigns, onClose }: { campaigns: Schemas['Campaign'][]; onClose: () => void }) {
  const [form, setForm] = useState({ campaign: campaigns.at(-1)?.id ?? '', medium: '', note: '' });
  const [kind, setKind] = useState<'field' | 'media'>('field');
  const keep = useChange(
    () => answer(api.POST('/api/laboratory/blanks', { body: { ...form, kind } })),
    onClose,
  );
  return (
    <Form
      title="Register a blank"
      action="Keep it"
      problem={keep.error}
      busy={keep.isPending}
      onClose={onClose}
      onSubmit={() => keep.mutate(undefined)}
    >
      <TextField
        select
        label="Campaign"
        value={form.campaign}
        onChange={(event) => setForm({ ...form, campaign: event.target.value })}
      >
        {campaigns.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.title}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Kind"
        value={kind}
        onChange={(event) => setKind(event.target.value === 'media' ? 'media' : 'field')}
        helperText="A field blank went along and drew no air"
      >
        <MenuItem value="field">field blank</MenuItem>
        <MenuItem value="media">media blank</MenuItem>
      </TextField>
      <Field
        label="Number of the medium"
        value={form.medium}
        set={(medium) => setForm({ ...form, medium })}
        problem={keep.error?.of('medium')}
        required
      />
      <Field label="Note" value={form.note} set={(note) => setForm({ ...form, note })} />
    </Form>
  );
}

function Said({ report, onClose }: { report: Schemas['Report']; onClose: () => void }) {
  const [blank, setBlank] = useState(report.blankCorrected);
  const [desorption, setDesorption] = useState(report.desorptionCorrected);
  const [reason, setReason] = useState('');
  const say = useChange(
    () =>
      answer(
        api.POST('/api/laboratory/reports/{id}/word', {
          params: { path: { id: report.id } },
          body: { blankCorrected: blank, desorptionCorrected: desorption, reason },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title={`What the laboratory said of ${report.number}`}
      action="Write it down"
      problem={say.error}
      busy={say.isPending}
      onClose={onClose}
      onSubmit={() => say.mutate(undefined)}
    >
      {asked(blank, setBlank, desorption, setDesorption)}
      <Field
        label="Who said so, when and how"
        value={reason}
        set={setReason}
        problem={say.error?.of('reason')}
        required
      />
    </Form>
  );
}
