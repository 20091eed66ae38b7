import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useCampaigns, useReports, useSession } from '../api/hooks';
import { Empty, Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { mayLead, maySteward } from '../shell/roles';
import { AskReport } from './AskReport';
import { HouseTexts } from './HouseTexts';

/** The reports of the house: what was issued, what is a draft, and the texts that they begin with. */
export function ReportsView() {
  const session = useSession();
  const reports = useReports();
  const campaigns = useCampaigns();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [texts, setTexts] = useState(false);
  const leads = mayLead(session.data?.user);
  // From the ledger of a campaign one comes with the campaign chosen.
  const beginning = search.get('begin');
  if (reports.data === undefined) {
    return <Lacking of={[reports]} />;
  }
  const { reports: rows, texts: house } = reports.data;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'center', marginBottom: 10 }}>
        <h1 className="fn-title" style={{ margin: 0, flex: 1 }}>
          Reports
        </h1>
        <Button onClick={() => setTexts(!texts)} aria-expanded={texts}>
          Texts of the house
        </Button>
        {leads && (
          <Button variant="contained" onClick={() => setSearch({ begin: '' })}>
            Begin a report
          </Button>
        )}
      </div>
      {texts && <HouseTexts texts={house} writes={maySteward(session.data?.user)} />}
      {rows.length === 0 ? (
        <Empty title="No report yet">
          A report tells a client, an inspector or a court what was measured, what stands of it and why. It is
          a draft until a hygienist signs it.
        </Empty>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table">
            <thead>
              <tr>
                <th>Number</th>
                <th>Title</th>
                <th>For</th>
                <th>Campaign</th>
                <th>Begun</th>
                <th>Issued</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((one) => (
                <tr key={one.id}>
                  <td style={{ whiteSpace: 'nowrap' }}>
                    <Link to={`/reports/${one.id}`}>{one.id}</Link>
                  </td>
                  <td style={{ overflowWrap: 'anywhere' }}>{one.asked.title}</td>
                  <td style={{ overflowWrap: 'anywhere' }}>{one.asked.askedBy}</td>
                  <td>{one.campaign}</td>
                  <td style={{ whiteSpace: 'nowrap' }}>
                    {moment(one.at)}, {one.by}
                  </td>
                  <td>
                    {one.editions > 0 ? (
                      `edition ${one.editions}`
                    ) : (
                      <span style={{ color: ink.soft }}>not yet: a draft</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {beginning !== null && leads && campaigns.data && (
        <AskReport
          campaigns={campaigns.data.campaigns}
          begin={beginning}
          onClose={() => setSearch({})}
          onBegun={(id) => void navigate(`/reports/${id}`)}
        />
      )}
    </>
  );
}
