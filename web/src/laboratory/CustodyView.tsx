import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { useCustody, useSession } from '../api/hooks';
import { Practice } from '../look/Practice';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, shortDay } from '../look/words';
import { mayRecord } from '../shell/roles';
import { StandInLaboratory } from './StandInLaboratory';

/** The chain of custody, to be printed and signed by whoever hands the media on. */
export function CustodyView() {
  const { id = '' } = useParams();
  const custody = useCustody(id);
  const session = useSession();
  if (custody.data === undefined) {
    return <Lacking of={[custody]} />;
  }
  const { campaign, media } = custody.data;
  return (
    <article>
      <div
        className="fn-noprint"
        style={{ display: 'flex', gap: 14, alignItems: 'baseline', marginBottom: 8 }}
      >
        <Link to="/laboratory">Laboratory</Link>
        <span style={{ flex: 1 }} />
        <Button size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className="fn-title" style={{ margin: 0 }}>
        Chain of custody
      </h1>
      <p style={{ margin: '2px 0 14px', color: ink.soft }}>
        {campaign.title}, {campaign.site}
      </p>
      {media.length === 0 ? (
        <p style={{ color: ink.soft }}>No run of this campaign names a medium, and no blank is kept.</p>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table">
            <thead>
              <tr>
                <th>Medium</th>
                <th>Kind</th>
                <th>Run, pump</th>
                <th>Who and what</th>
                <th>Sampler, method</th>
                <th>Sampled</th>
                <th className="num">Volume L</th>
                <th style={{ width: 110 }}>Condition on arrival</th>
              </tr>
            </thead>
            <tbody>
              {media.map((one) => (
                <tr key={one.medium}>
                  <td>
                    <b>{one.medium}</b> {one.practice && <Practice />}
                  </td>
                  <td>{one.kind}</td>
                  <td>{one.run ? `${one.run}, ${one.unit}` : '–'}</td>
                  <td>{[one.person, one.task].filter((part) => part !== '').join(', ') || '–'}</td>
                  <td>{[one.sampler, one.method].filter((part) => part !== '').join(', ') || '–'}</td>
                  <td>
                    {one.start
                      ? `${shortDay(one.start, campaign.zone)} ${clock(one.start, campaign.zone)} to ${one.stop ? clock(one.stop, campaign.zone) : 'now'}`
                      : '–'}
                  </td>
                  <td className="num fn-figure">{one.volume ?? '–'}</td>
                  <td style={{ borderBottom: `1px solid ${ink.rule}` }} />
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {['Handed over by', 'Taken by', 'Received at the laboratory by'].map((who) => (
        <p
          key={who}
          style={{ margin: '26px 0 0', display: 'grid', gridTemplateColumns: '2fr 1fr 1fr', columnGap: 24 }}
        >
          {[`${who}, name and signature`, 'date and time', 'seal intact?'].map((label) => (
            <span
              key={label}
              style={{ borderTop: `1px solid ${ink.text}`, color: ink.soft, fontSize: '0.84rem' }}
            >
              {label}
            </span>
          ))}
        </p>
      ))}
      {mayRecord(session.data?.user) && media.some((one) => one.practice && one.stop !== null) && (
        <StandInLaboratory custody={custody.data} />
      )}
    </article>
  );
}
