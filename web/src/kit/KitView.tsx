import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useKit, useSession } from '../api/hooks';
import { useAdding } from '../look/adding';
import { OneOf } from '../look/Asked';
import { FitWords } from '../look/FitWords';
import { holds } from '../look/holds';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { moment, plural } from '../look/words';
import { mayRecord, maySteward } from '../shell/roles';
import { Due } from './Due';
import { Library } from './Library';
import { KitFromTable } from './FromTable';
import { RegisterReference, RegisterUnit } from './Register';
import { RetiredWords } from './Retire';

type Unit = Schemas['Instrument'];
type Reference = Schemas['Reference'];

/** How something stands, as it is asked for; what is out of use is shown where it is asked for, and else what is in use. */
const STATES = {
  fit: 'fit to go out',
  'check first': 'check first',
  held: 'held',
  past: 'certificate past',
  out: 'out of use',
} as const;
type State = keyof typeof STATES;
const isState = (word: string): word is State => word in STATES;

const stands = (one: Unit | Reference, state: State | '') =>
  state === 'out' ? Boolean(one.retired) : !one.retired && (state !== 'past' || one.dueState === 'past');

/** The kit: instruments, and beside them what they are held against. */
export function KitView() {
  const kit = useKit();
  const session = useSession();
  const [search, setSearch] = useSearchParams();
  const [adding, setAdding] = useAdding();
  if (kit.data === undefined) {
    return <Lacking of={[kit]} />;
  }
  const { instruments, references } = kit.data;
  const asked = search.get('state') ?? '';
  const [text, family, state] = [
    search.get('text') ?? '',
    search.get('family') ?? '',
    isState(asked) ? asked : ('' as const),
  ];
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(search);
    next.delete(name);
    if (value) {
      next.set(name, value);
    }
    setSearch(next, { replace: true });
  };
  const families = [...new Map(instruments.map((one) => [one.family, one.familyTitle]))];
  const ofFit = state === 'fit' || state === 'check first' || state === 'held';
  const units = instruments.filter(
    (one) =>
      (family === '' || one.family === family) &&
      stands(one, state) &&
      (!ofFit || one.fit?.state === state) &&
      holds(text, one.id, one.model, one.familyTitle, one.about, ...one.traits.map((trait) => trait.shown)),
  );
  const shown = references.filter(
    (one) =>
      stands(one, ofFit ? '' : state) &&
      holds(
        text,
        one.id,
        one.model,
        one.kindTitle,
        one.about,
        ...one.certificates.flatMap((certificate) => [certificate.number, certificate.laboratory]),
      ),
  );
  const out = [...instruments, ...references].filter((one) => one.retired).length;
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'center', marginBottom: 10 }}>
        <h1 className="fn-title" style={{ margin: 0, marginRight: 12 }}>
          Kit
        </h1>
        <TextField
          label="Find"
          value={text}
          onChange={(event) => set('text', event.target.value)}
          sx={{ width: 170 }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <OneOf
          label="What it is"
          value={family}
          set={(value) => set('family', value)}
          options={families}
          all="any"
        />
        <OneOf
          label="State"
          value={state}
          set={(value) => set('state', value)}
          options={Object.entries(STATES)}
          all="in use"
        />
        {out > 0 && state !== 'out' && (
          <Button size="small" onClick={() => set('state', 'out')}>
            {out} out of use
          </Button>
        )}
        <span style={{ flex: 1 }} />
        <Button size="small" component="a" href="/api/kit.csv" download>
          As a table
        </Button>
        {mayRecord(session.data?.user) && (
          <>
            <Button size="small" onClick={() => setAdding('table')}>
              Out of a table
            </Button>
            <Button variant="outlined" onClick={() => setAdding('unit')}>
              Register an instrument
            </Button>
          </>
        )}
        {maySteward(session.data?.user) && (
          <Button variant="outlined" onClick={() => setAdding('reference')}>
            Register a reference
          </Button>
        )}
      </div>
      <div className="fn-kit">
        <section aria-labelledby="kit-units">
          <h2 id="kit-units">
            Instruments <Count shown={units.length} of={instruments.length} />
          </h2>
          {instruments.length === 0 ? (
            <p style={{ color: ink.soft }}>No instrument yet.</p>
          ) : units.length === 0 ? (
            <p style={{ color: ink.soft }}>No instrument answers this choice.</p>
          ) : (
            <div style={{ overflowX: 'auto' }}>
              <table className="fn-table" style={{ minWidth: 560 }}>
                <thead>
                  <tr>
                    <th>Instrument</th>
                    <th>Certificate until</th>
                    <th>Last check</th>
                    <th>To go out</th>
                  </tr>
                </thead>
                <tbody>
                  {units.map((unit) => (
                    <UnitLine key={unit.id} unit={unit} />
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
        <section aria-labelledby="kit-references">
          <h2 id="kit-references">
            References <Count shown={shown.length} of={references.length} />
          </h2>
          {references.length === 0 ? (
            <p style={{ color: ink.soft }}>
              No reference yet. A steward registers the first one; without it no check has anything to lean
              on.
            </p>
          ) : shown.length === 0 ? (
            <p style={{ color: ink.soft }}>No reference answers this choice.</p>
          ) : (
            <div style={{ overflowX: 'auto' }}>
              <table className="fn-table">
                <thead>
                  <tr>
                    <th>Reference</th>
                    <th>Certificate until</th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((reference) => (
                    <ReferenceLine key={reference.id} reference={reference} />
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
      </div>
      <Library />
      {adding === 'table' && (
        <KitFromTable steward={maySteward(session.data?.user)} onClose={() => setAdding(null)} />
      )}
      {adding === 'unit' && <RegisterUnit onClose={() => setAdding(null)} />}
      {adding === 'reference' && (
        <RegisterReference kind={search.get('kind')} onClose={() => setAdding(null)} />
      )}
    </>
  );
}

function Count({ shown, of }: { shown: number; of: number }) {
  return (
    <span style={{ fontSize: '0.86rem', fontWeight: 400, color: ink.soft }}>
      {shown === of ? of : `${shown} of ${of}`}
    </span>
  );
}

function UnitLine({ unit }: { unit: Unit }) {
  return (
    <tr>
      <td>
        <Link to={`/kit/${encodeURIComponent(unit.id)}`} style={{ fontWeight: 650, textDecoration: 'none' }}>
          {unit.id}
        </Link>{' '}
        <span style={{ color: ink.soft }}>{unit.model}</span>
        <div
          style={{
            color: ink.soft,
            fontSize: '0.86rem',
            maxWidth: 330,
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            whiteSpace: 'nowrap',
          }}
        >
          {unit.familyTitle}
          {unit.about && `, ${unit.about}`}
        </div>
      </td>
      <td>
        {unit.due ? (
          <Due due={unit.due} state={unit.dueState} by={unit.dueInterval} />
        ) : (
          <span style={{ color: ink.soft }}>none</span>
        )}
      </td>
      <td style={{ whiteSpace: 'nowrap' }}>{unit.lastCheck ? moment(unit.lastCheck) : 'never'}</td>
      <td>{unit.retired ? <RetiredWords retired={unit.retired} /> : <FitWords fit={unit.fit ?? null} />}</td>
    </tr>
  );
}

function ReferenceLine({ reference }: { reference: Reference }) {
  const standing = reference.recalls.filter((recall) => !recall.takenBack);
  return (
    <tr>
      <td>
        <Link
          to={`/references/${encodeURIComponent(reference.id)}`}
          style={{ fontWeight: 650, textDecoration: 'none' }}
        >
          {reference.id}
        </Link>{' '}
        <span style={{ color: ink.soft }}>{reference.model}</span>
        <div style={{ color: ink.soft, fontSize: '0.86rem' }}>{reference.kindTitle}</div>
        {reference.left && <div style={{ fontSize: '0.86rem' }}>Left: {reference.left}</div>}
        {standing.length > 0 && (
          <div style={{ color: ink.void, fontWeight: 600, fontSize: '0.86rem' }}>
            {standing.length === 1 ? 'recalled' : `recalled, ${plural(standing.length, 'time')}`}
          </div>
        )}
        {reference.retired && (
          <div style={{ fontSize: '0.86rem' }}>
            <RetiredWords retired={reference.retired} />
          </div>
        )}
      </td>
      <td>
        <Due due={reference.due} state={reference.dueState} by={reference.dueInterval} />
      </td>
    </tr>
  );
}
