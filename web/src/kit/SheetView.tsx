import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { useForms, useModelSheet, useSession, useSheetForm } from '../api/hooks';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { mayRecord, maySteward } from '../shell/roles';
import { SheetWalk } from './SheetWalk';

/** In the walk it is seen better than in a table. */
const inTheWalk = ['models', 'steps', 'writes', 'waits', 'keys'];

type Cells = Record<string, unknown>;

/** A model sheet: how checks of its models are walked with it, and what it says beside. */
export function SheetView() {
  const { code = '' } = useParams();
  const sheet = useModelSheet(code);
  const forms = useForms();
  const session = useSession();
  const form = useSheetForm(sheet.data?.walks.find((walk) => walk.unit !== null)?.model ?? '');
  if (!sheet.data || !forms.data) {
    return <Lacking of={[sheet, forms]} />;
  }
  const { entry, walks, models, by, replacedBy } = sheet.data;
  const isTemplate = models.length === 0;
  const shelf = forms.data.shelves.find((one) => one.id === 'model-sheets')?.entries ?? [];
  // What is asked for a model names its steps and readings in words.
  const tables = shelf
    .map((asked) => form.data?.entries.find((one) => one.name === asked.name) ?? asked)
    .filter(
      (asked) =>
        asked.kind === 'rows' && (isTemplate ? asked.name !== 'models' : !inTheWalk.includes(asked.name)),
    );
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          {sheet.data.name}
        </h1>
        <span style={{ color: ink.soft }}>
          {code}
          {sheet.data.minutes !== null && ` · takes ${sheet.data.minutes} min`}
        </span>
        <span style={{ flex: 1 }} />
        {(isTemplate ? mayRecord : maySteward)(session.data?.user) && (
          <Button variant="outlined" component={Link} to={`/kit/sheets/new?from=${encodeURIComponent(code)}`}>
            {isTemplate ? 'Begin a sheet with it' : 'Write another in its place'}
          </Button>
        )}
        <Button component="a" href={`/api/kit/library/model-sheets/${code}`} download>
          JSON
        </Button>
      </div>
      <p style={{ color: ink.soft, margin: '2px 0 0' }}>
        {isTemplate
          ? 'A template: asked of no instrument until it is taken over for a model.'
          : `Of ${models.join(', ')}.`}{' '}
        Source: {sheet.data.source}
        {by !== '' && `; added by ${by}`}.
      </p>
      {replacedBy !== null && (
        <p style={{ color: ink.qualified, fontWeight: 600 }}>
          Asked no more: <Link to={`/kit/sheets/${replacedBy}`}>{replacedBy}</Link> stands in its place.
          Checks that were walked with it keep what it asked.
        </p>
      )}
      {walks.map((walk) => (
        <section key={walk.model} aria-label={`Check of ${walk.model}`}>
          <h2 style={{ margin: '20px 0 0' }}>{walk.model}</h2>
          <SheetWalk walk={walk} />
        </section>
      ))}
      {tables.map((table) => (
        <Table key={table.name} table={table} rows={entry[table.name]} />
      ))}
    </>
  );
}

function Table({
  table,
  rows,
}: {
  table: {
    label: string;
    rows: { name: string; label: string; choices: { value: string; words: string }[] }[];
  };
  rows: unknown;
}) {
  const told = Array.isArray(rows) ? (rows as Cells[]) : [];
  const columns = table.rows.filter((column) => told.some((row) => row[column.name] !== undefined));
  if (told.length === 0) {
    return null;
  }
  return (
    <section>
      <h2 style={{ margin: '20px 0 4px' }}>{table.label}</h2>
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              {columns.map((column) => (
                <th key={column.name}>{column.label}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {told.map((row, place) => (
              <tr key={place}>
                {columns.map((column) => (
                  <td key={column.name}>{cell(row[column.name], column.choices)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const cell = (value: unknown, choices: { value: string; words: string }[]): string => {
  if (value === true) {
    return 'yes';
  }
  return typeof value === 'string' ? (choices.find((choice) => choice.value === value)?.words ?? value) : '';
};
