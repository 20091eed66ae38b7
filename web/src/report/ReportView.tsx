import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useCampaigns, useReport, useSession } from '../api/hooks';
import type { Schemas } from '../api/client';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { moment, plural } from '../look/words';
import { mayDecide, mayLead, mayRecord } from '../shell/roles';
import { AskReport } from './AskReport';
import { Issue } from './Issue';
import { Package } from './Package';
import { Part } from './Part';
import { Prints } from './Prints';
import './report.css';

type Report = Schemas['ClientReport'];

/** A report: read part by part, remarked on, signed, printed. */
export function ReportView() {
  const { id = '' } = useParams();
  const asked = useReport(id);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  return <Sheet key={id} report={asked.data} />;
}

function Sheet({ report }: { report: Report }) {
  const session = useSession();
  const campaigns = useCampaigns();
  const [search, setSearch] = useSearchParams();
  const [asking, setAsking] = useState(false);
  const [issuing, setIssuing] = useState(false);
  const user = session.data?.user;
  const edition = report.editions.find((one) => String(one.edition) === search.get('edition')) ?? null;
  const parts = edition?.parts ?? report.draft.parts;
  const chosen = parts.find((one) => one.part === search.get('part')) ?? parts[0];
  const last = report.editions[0];
  const open = report.remarks.filter((one) => one.settled === null);
  const show = (change: Record<string, string | null>) => {
    const next = new URLSearchParams(search);
    for (const [name, value] of Object.entries(change)) {
      if (value === null) {
        next.delete(name);
      } else {
        next.set(name, value);
      }
    }
    setSearch(next);
    window.scrollTo(0, 0);
  };
  const place = parts.findIndex((one) => one === chosen);
  return (
    <article>
      <div
        className="fn-noprint"
        style={{ display: 'flex', gap: 14, flexWrap: 'wrap', alignItems: 'baseline' }}
      >
        <Link to="/reports">Reports</Link>
        <span style={{ color: ink.soft }}>/ {report.id}</span>
        <span style={{ flex: 1 }} />
        {edition === null && mayLead(user) && (
          <Button onClick={() => setAsking(true)}>What it is asked to be</Button>
        )}
        {edition === null && mayDecide(user) && (
          <Button variant="contained" onClick={() => setIssuing(true)}>
            {last ? `Sign edition ${last.edition + 1}` : 'Sign and issue'}
          </Button>
        )}
      </div>
      <h1 className="fn-title" style={{ margin: '4px 0 2px', overflowWrap: 'anywhere' }}>
        {report.asked.title}
      </h1>
      <p style={{ margin: '0 0 6px' }}>
        {edition === null ? (
          <b style={{ color: ink.qualified }}>Draft: not signed, not issued.</b>
        ) : (
          <>
            <b>
              {report.id}, edition {edition.edition}
            </b>
            , signed by {edition.by}, {moment(edition.at)}
            {edition !== last && <b style={{ color: ink.void }}>; superseded by edition {last?.edition}</b>}.
          </>
        )}{' '}
        For {report.asked.askedBy}, campaign {report.campaign}.
        {open.length > 0 && (
          <b style={{ color: ink.qualified }}> {plural(open.length, 'remark')} not settled.</b>
        )}
      </p>
      <div className="fn-report">
        <nav aria-label="Parts of the report">
          <Shelf report={report} edition={edition} show={show} />
          <Prints report={report.id} edition={edition?.edition ?? null} starts={mayRecord(user)} />
          <section aria-labelledby="package">
            <h2 id="package">Data package</h2>
            <Package of={{ report: report.id }} />
          </section>
          <h2>Contents</h2>
          <ul>
            {parts.map((one) => (
              <li key={one.part} className={one.part.startsWith('run:') ? 'fn-deep' : undefined}>
                <button
                  type="button"
                  className="fn-link"
                  aria-current={one === chosen ? 'page' : undefined}
                  onClick={() => show({ part: one.part })}
                >
                  {one.title}
                </button>
                {open.some((remark) => remark.block.startsWith(`${one.part}/`)) && (
                  <b style={{ color: ink.qualified }} title="a remark is not settled">
                    {' '}
                    !
                  </b>
                )}
              </li>
            ))}
          </ul>
        </nav>
        <div>
          {chosen && (
            <Part
              key={`${edition?.edition ?? 'draft'} ${chosen.part}`}
              report={report}
              part={chosen.part}
              edition={edition?.edition ?? null}
              remarks={mayRecord(user) && edition === null}
              settles={mayLead(user) && edition === null}
            />
          )}
          <div className="fn-noprint" style={{ display: 'flex', gap: 12, marginTop: 14 }}>
            <Button disabled={place < 1} onClick={() => show({ part: parts[place - 1]?.part ?? null })}>
              ← part before
            </Button>
            <Button
              disabled={place >= parts.length - 1}
              onClick={() => show({ part: parts[place + 1]?.part ?? null })}
            >
              next part →
            </Button>
          </div>
        </div>
      </div>
      {asking && campaigns.data && (
        <AskReport campaigns={campaigns.data.campaigns} report={report} onClose={() => setAsking(false)} />
      )}
      {issuing && (
        <Issue
          report={report}
          onClose={() => setIssuing(false)}
          onIssued={(one) => show({ edition: String(one), part: null })}
        />
      )}
    </article>
  );
}

/** Draft and editions: which is looked at, and whether what was issued still says what the evidence says. */
function Shelf({
  report,
  edition,
  show,
}: {
  report: Report;
  edition: Report['editions'][number] | null;
  show: (change: Record<string, string | null>) => void;
}) {
  if (report.editions.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="editions">
      <h2 id="editions">Editions</h2>
      <ul>
        <li>
          <button
            type="button"
            className="fn-link"
            aria-current={edition === null ? 'page' : undefined}
            onClick={() => show({ edition: null, part: null })}
          >
            Draft, as it stands now
          </button>
        </li>
        {report.editions.map((one) => (
          <li key={one.edition}>
            <button
              type="button"
              className="fn-link"
              aria-current={edition === one ? 'page' : undefined}
              onClick={() => show({ edition: String(one.edition), part: null })}
            >
              Edition {one.edition}, {moment(one.at)}
            </button>
          </li>
        ))}
      </ul>
      {report.changedSince.length > 0 && (
        <div role="status" style={{ color: ink.qualified }}>
          <b>Evidence has changed since edition {report.editions[0]?.edition}:</b>
          <ul>
            {report.changedSince.slice(0, 8).map((one) => (
              <li key={one}>{one}</li>
            ))}
            {report.changedSince.length > 8 && <li>and {report.changedSince.length - 8} more</li>}
          </ul>
        </div>
      )}
      {edition && (
        <p style={{ fontSize: '0.84rem', overflowWrap: 'anywhere', color: ink.soft }}>
          Contents {edition.digest}
          <br />
          <a href={edition.address}>{edition.address}</a>
        </p>
      )}
    </section>
  );
}
