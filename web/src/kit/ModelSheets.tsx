import Button from '@mui/material/Button';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useModelSheets, useSession } from '../api/hooks';
import { ink } from '../look/theme';
import { mayRecord } from '../shell/roles';

type Line = Schemas['SheetLine'];

/** What the site does with its models beside what every unit wants: own sheets first, templates folded. */
export function ModelSheets() {
  const sheets = useModelSheets();
  const session = useSession();
  if (!sheets.data) {
    return null;
  }
  const own = sheets.data.sheets.filter((sheet) => sheet.models.length > 0);
  const templates = sheets.data.sheets.filter((sheet) => sheet.models.length === 0);
  return (
    <section aria-labelledby="shelf-model-sheets">
      <div style={{ display: 'flex', gap: 16, alignItems: 'baseline', margin: '28px 0 6px' }}>
        <h2 id="shelf-model-sheets" className="fn-title" style={{ margin: 0, fontSize: '1.5rem' }}>
          Model sheets
        </h2>
        <span style={{ flex: 1 }} />
        {mayRecord(session.data?.user) && (
          <Button variant="outlined" component={Link} to="/kit/sheets/new">
            Write a model sheet
          </Button>
        )}
      </div>
      <p style={{ color: ink.soft, margin: '0 0 8px', maxWidth: 760 }}>
        Own steps, longer waits, keys to press and what the display says, by model. A sheet adds to the check
        of its instruments and leaves nothing out.
      </p>
      {own.length === 0 ? <p style={{ color: ink.soft }}>None yet.</p> : <Lines sheets={own} />}
      <details>
        <summary style={{ padding: '10px 0' }}>Templates to begin with ({templates.length})</summary>
        <Lines sheets={templates} />
      </details>
    </section>
  );
}

function Lines({ sheets }: { sheets: Line[] }) {
  return (
    <div style={{ overflowX: 'auto' }}>
      <table className="fn-table">
        <thead>
          <tr>
            <th style={{ width: 190 }}>Code</th>
            <th>Name</th>
            <th>Models</th>
            <th className="num">Own steps</th>
            <th className="num">Takes</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          {sheets.map((sheet) => (
            <tr key={sheet.code}>
              <td>
                <Link to={`/kit/sheets/${sheet.code}`}>{sheet.code}</Link>
              </td>
              <td>
                {sheet.name}
                {sheet.replacedBy !== null && (
                  <div style={{ color: ink.soft }}>asked no more, since {sheet.replacedBy}</div>
                )}
              </td>
              <td>{sheet.models.join(', ') || '–'}</td>
              <td className="num">{sheet.steps}</td>
              <td className="num">{sheet.minutes === null ? '–' : `${sheet.minutes} min`}</td>
              <td style={{ color: ink.soft }}>
                {sheet.source}
                {sheet.by !== '' && `, added by ${sheet.by}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
