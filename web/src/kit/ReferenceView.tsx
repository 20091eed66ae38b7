import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useForms, useKit, useSession } from '../api/hooks';
import { Files } from '../look/Files';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { mayRecord, maySteward } from '../shell/roles';
import { AddCertificate } from './AddCertificate';
import { Certificates } from './Certificates';
import { CorrectedWords, CorrectKit } from './CorrectKit';
import { Due } from './Due';
import { Recall } from './Recall';
import { KitWord } from './KitWord';
import { Recalled } from './Recalled';
import { Retire, RetiredWords } from './Retire';
import { Serial } from './Serial';
import { SetInterval } from './SetInterval';
import { SharedGoesOn } from './SharedGoesOn';

type Reference = Schemas['Reference'];

/** One reference: what it is certified to be, how it goes on, and what is done about it. */
export function ReferenceView() {
  const { id = '' } = useParams();
  const kit = useKit();
  if (kit.data === undefined) {
    return <Lacking of={[kit]} />;
  }
  const reference = kit.data.references.find((one) => one.id === id);
  if (!reference) {
    return (
      <p>
        There is no reference {id} in this logbook. <Link to="/kit">Kit</Link> lists those that there are.
      </p>
    );
  }
  return <Page key={id} reference={reference} />;
}

type Doing = 'certificate' | 'interval' | 'correction' | 'recall' | 'retirement';

function Page({ reference }: { reference: Reference }) {
  const session = useSession();
  const forms = useForms();
  const [doing, setDoing] = useState<Doing | null>(null);
  const close = () => setDoing(null);
  const steward = maySteward(session.data?.user);
  const { id, kind } = reference;
  const newest = reference.certificates
    .filter((one) => !one.word)
    .sort((a, b) => b.issued.localeCompare(a.issued))[0];
  const values = newest?.values ?? [];
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 14, alignItems: 'baseline' }}>
        <Link to="/kit">Kit</Link>
        <h1 className="fn-title" style={{ margin: 0 }}>
          {id}
        </h1>
        <span style={{ color: ink.soft }}>
          {reference.kindTitle}, {reference.model}
          {reference.about && `, ${reference.about}`}
          <Serial written={reference.written} /> ·{' '}
          {reference.due === null ? (
            'no certificate'
          ) : (
            <>
              certificate until{' '}
              <Due due={reference.due} state={reference.dueState} by={reference.dueInterval} />
            </>
          )}
        </span>
        <span style={{ flex: 1 }} />
        {steward && (
          <>
            <Button variant="outlined" onClick={() => setDoing('certificate')}>
              Add certificate
            </Button>
            <Button onClick={() => setDoing('interval')}>Set an interval</Button>
            <Button onClick={() => setDoing('correction')}>Typed in wrongly</Button>
            <Button color="error" onClick={() => setDoing('recall')}>
              Recall
            </Button>
            <Button onClick={() => setDoing('retirement')}>
              {reference.retired ? 'Take back into use' : 'Take out of use'}
            </Button>
          </>
        )}
      </div>
      {reference.recalls.map((recall) => (
        <Recalled
          key={recall.place}
          owner="references"
          id={id}
          errorUnit={reference.errorUnit}
          recall={recall}
          takesBack={steward}
        />
      ))}
      <CorrectedWords corrections={reference.corrections} />
      {reference.retired && (
        <p style={{ margin: '4px 0' }}>
          <RetiredWords retired={reference.retired} />
        </p>
      )}
      <p style={{ margin: '8px 0 0' }}>
        {reference.lastUse ? `Last used ${moment(reference.lastUse)}.` : 'Never used yet.'}
        {reference.left && (
          <>
            {' '}
            Left: <b className="fn-figure">{reference.left}</b>.
          </>
        )}
      </p>
      <h2>Certified</h2>
      {reference.constants.length > 0 && (
        <dl
          style={{
            margin: '0 0 8px',
            display: 'grid',
            gridTemplateColumns: 'minmax(0, max-content) minmax(0, 1fr)',
            gap: '3px 18px',
          }}
        >
          {reference.constants.map((trait, place) => (
            <Trait key={place} trait={trait} />
          ))}
        </dl>
      )}
      {values.length > 0 && (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table" style={{ maxWidth: 640 }}>
            <caption className="fn-hidden">Values of certificate {newest?.number}</caption>
            <thead>
              <tr>
                <th className="num">{reference.nominal || 'nominal'}</th>
                <th className="num">Certified, {reference.valueUnit}</th>
                <th className="num">Uncertainty, {reference.valueUnit}</th>
                {reference.beside.map((entry) => (
                  <th key={entry.name} className="num">
                    {entry.label}
                    {entry.units[0] && `, ${entry.units[0]}`}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {values.map((value, place) => (
                <tr key={place}>
                  <td className="num fn-figure">{value.nominal}</td>
                  <td className="num fn-figure">{value.certified}</td>
                  <td className="num fn-figure">{value.uncertainty ?? '–'}</td>
                  {reference.beside.map((entry) => (
                    <td key={entry.name} className="num fn-figure">
                      {value[entry.name] ?? '–'}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {values.length === 0 && reference.constants.length === 0 && (
        <p style={{ color: ink.soft }}>Nothing is certified of it yet: no check can lean on it.</p>
      )}
      <h2>Certificates</h2>
      <Certificates
        owner="references"
        id={id}
        kind={kind}
        certificates={reference.certificates}
        corrects={steward}
      />
      <KitWord owner="references" id={id} says={mayRecord(session.data?.user)} />
      <h2>How it goes on</h2>
      <SharedGoesOn reference={id} />
      <h2>Photos and documents</h2>
      <Files of="reference" id={id} adds={mayRecord(session.data?.user)} />
      {doing === 'certificate' && <AddCertificate owner="references" id={id} kind={kind} onClose={close} />}
      {doing === 'interval' && (
        <SetInterval
          owner="references"
          id={id}
          routines={reference.settable}
          set={reference.intervals}
          onClose={close}
        />
      )}
      {doing === 'correction' && forms.data && (
        <CorrectKit
          owner="references"
          id={id}
          written={reference.written}
          entries={forms.data.references.find((one) => one.id === kind)?.entries ?? []}
          onClose={close}
        />
      )}
      {doing === 'recall' && (
        <Recall owner="references" id={id} errorUnit={reference.errorUnit} onClose={close} />
      )}
      {doing === 'retirement' && (
        <Retire owner="references" id={id} back={Boolean(reference.retired)} onClose={close} />
      )}
    </>
  );
}

function Trait({ trait: { label, shown, flag } }: { trait: Reference['constants'][number] }) {
  return (
    <>
      <dt style={{ color: ink.soft }}>{label}</dt>
      <dd className="fn-figure" style={{ margin: 0, whiteSpace: 'normal', overflowWrap: 'anywhere' }}>
        {flag ? 'yes' : shown}
      </dd>
    </>
  );
}
