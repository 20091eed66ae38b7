import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useForms, useKit, useSession } from '../api/hooks';
import { Files } from '../look/Files';
import { FitWords } from '../look/FitWords';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { dayOfYear, moment } from '../look/words';
import { mayRecord, maySteward } from '../shell/roles';
import { AddCertificate } from './AddCertificate';
import { Certificates } from './Certificates';
import { CorrectedWords, CorrectKit } from './CorrectKit';
import { Library } from './Library';
import { Recall } from './Recall';
import { Recalled } from './Recalled';
import { RegisterReference, RegisterUnit } from './Register';
import { Retire, RetiredWords } from './Retire';
import { SetInterval } from './SetInterval';
import { SharedGoesOn } from './SharedGoesOn';

/** Instruments and references with their certificates and due dates. */
export function KitView() {
  const kit = useKit();
  const session = useSession();
  const [adding, setAdding] = useState<'unit' | 'reference' | null>(null);
  const [certificate, setCertificate] = useState<{ id: string; kind: string } | null>(null);
  const [recalling, setRecalling] = useState<Schemas['Reference'] | null>(null);
  const [retiring, setRetiring] = useState<{ id: string; back: boolean } | null>(null);
  const [filed, setFiled] = useState<string | null>(null);
  const [watched, setWatched] = useState('');
  const [wrong, setWrong] = useState<Schemas['Reference'] | null>(null);
  const forms = useForms();
  const [timing, setTiming] = useState<Schemas['Reference'] | null>(null);
  if (kit.data === undefined) {
    return <Lacking of={[kit]} />;
  }
  const steward = maySteward(session.data?.user);
  return (
    <>
      <Head title="References" level="h1">
        {steward && (
          <Button variant="outlined" onClick={() => setAdding('reference')}>
            Register a reference
          </Button>
        )}
      </Head>
      {kit.data.references.length === 0 ? (
        <p style={{ color: ink.soft }}>
          No reference yet. A steward registers the first one; without it no check has anything to lean on.
        </p>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table" style={{ minWidth: 760 }}>
            <thead>
              <tr>
                <th>Reference</th>
                <th>What it is</th>
                <th>Certified</th>
                <th>Certificate</th>
                <th>Due</th>
                <th>Last used</th>
                <th aria-label="Actions" />
              </tr>
            </thead>
            <tbody>
              {kit.data.references.map((reference) => {
                const newest = reference.certificates
                  .filter((one) => !one.word)
                  .sort((a, b) => b.issued.localeCompare(a.issued))[0];
                return (
                  <tr key={reference.id}>
                    <td>
                      <b>{reference.id}</b> <span style={{ color: ink.soft }}>{reference.model}</span>
                      <div style={{ fontSize: '0.86rem' }}>
                        <RetiredWords retired={reference.retired} />
                      </div>
                      {reference.recalls.map((recall) => (
                        <Recalled
                          key={recall.place}
                          owner="references"
                          id={reference.id}
                          errorUnit={reference.errorUnit}
                          recall={recall}
                          takesBack={steward}
                        />
                      ))}
                    </td>
                    <td style={{ color: ink.soft, minWidth: 240, maxWidth: 300 }}>
                      {reference.kindTitle}
                      {reference.about && `, ${reference.about}`}
                      {reference.left && <div style={{ color: ink.text }}>Left: {reference.left}</div>}
                    </td>
                    <td className="fn-figure" style={{ whiteSpace: 'normal' }}>
                      {(newest?.values ?? []).slice(0, 4).map((value) => (
                        <div key={value.nominal}>
                          {value.nominal}: {value.certified}
                          {value.uncertainty ? ` ± ${value.uncertainty}` : ''} {reference.valueUnit}
                          {reference.beside
                            .filter((entry) => value[entry.name])
                            .map((entry) => `, ${value[entry.name]} ${entry.units[0] ?? ''}`)
                            .join('')}
                        </div>
                      ))}
                      {(newest?.values ?? []).length > 4 && (
                        <div>and {(newest?.values ?? []).length - 4} more</div>
                      )}
                      {reference.constants.map((trait, place) => (
                        <div key={place}>{words([trait])}</div>
                      ))}
                    </td>
                    <td>
                      {newest ? (
                        <>
                          {newest.number}
                          <div style={{ color: ink.soft, fontSize: '0.84rem' }}>{newest.laboratory}</div>
                        </>
                      ) : (
                        'none'
                      )}
                    </td>
                    <td>
                      <Due due={reference.due} state={reference.dueState} by={reference.dueInterval} />
                    </td>
                    <td>{reference.lastUse ? moment(reference.lastUse) : 'never'}</td>
                    <td style={{ whiteSpace: 'nowrap' }}>
                      <Button size="small" onClick={() => setFiled(reference.id)}>
                        Photos, papers
                      </Button>
                      <div>
                        <Button size="small" onClick={() => setWatched(reference.id)}>
                          How it goes on
                        </Button>
                      </div>
                      {steward && (
                        <div style={{ display: 'flex', flexDirection: 'column', alignItems: 'flex-start' }}>
                          <Button
                            size="small"
                            onClick={() => setCertificate({ id: reference.id, kind: reference.kind })}
                          >
                            Add certificate
                          </Button>
                          <Button size="small" onClick={() => setTiming(reference)}>
                            Set an interval
                          </Button>
                          <Button
                            size="small"
                            color="error"
                            sx={{ justifyContent: 'flex-start' }}
                            onClick={() => setRecalling(reference)}
                          >
                            Recall
                          </Button>
                          <Button
                            size="small"
                            onClick={() =>
                              setRetiring({ id: reference.id, back: Boolean(reference.retired) })
                            }
                          >
                            {reference.retired ? 'Take back' : 'Out of use'}
                          </Button>
                        </div>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      <Head title="Instruments" level="h2">
        {mayRecord(session.data?.user) && (
          <Button variant="outlined" onClick={() => setAdding('unit')}>
            Register an instrument
          </Button>
        )}
      </Head>
      {kit.data.instruments.length === 0 ? (
        <p style={{ color: ink.soft }}>No instrument yet.</p>
      ) : (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table" style={{ minWidth: 700 }}>
            <thead>
              <tr>
                <th>Instrument</th>
                <th>What it is</th>
                <th>Laboratory certificate due</th>
                <th>Last check</th>
                <th>To go out</th>
              </tr>
            </thead>
            <tbody>
              {kit.data.instruments.map((unit) => (
                <tr key={unit.id}>
                  <td>
                    <Link to={`/kit/${unit.id}`} style={{ fontWeight: 650, textDecoration: 'none' }}>
                      {unit.id}
                    </Link>{' '}
                    <span style={{ color: ink.soft }}>{unit.model}</span>
                  </td>
                  <td style={{ color: ink.soft }}>
                    {unit.familyTitle}
                    {unit.about && `, ${unit.about}`}
                  </td>
                  <td>
                    {unit.due ? (
                      <Due due={unit.due} state={unit.dueState} by={unit.dueInterval} />
                    ) : (
                      <span style={{ color: ink.soft }}>none</span>
                    )}
                  </td>
                  <td>{unit.lastCheck ? moment(unit.lastCheck) : 'never'}</td>
                  <td>
                    {unit.retired ? (
                      <RetiredWords retired={unit.retired} />
                    ) : (
                      <FitWords fit={unit.fit ?? null} />
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Library />
      {watched && <SharedGoesOn reference={watched} onClose={() => setWatched('')} />}
      {retiring && <Retire owner="references" {...retiring} onClose={() => setRetiring(null)} />}
      {filed !== null && (
        <Dialog open onClose={() => setFiled(null)} maxWidth="md" fullWidth aria-labelledby="filed-title">
          <DialogTitle id="filed-title">Photos and papers of {filed}</DialogTitle>
          <DialogContent>
            {kit.data.references
              .filter((reference) => reference.id === filed)
              .map((reference) => (
                <section key={reference.id} aria-label="Certificates" style={{ marginBottom: 16 }}>
                  <Certificates
                    owner="references"
                    id={reference.id}
                    kind={reference.kind}
                    certificates={reference.certificates}
                    corrects={steward}
                  />
                  <CorrectedWords corrections={reference.corrections} />
                  {steward && (
                    <button type="button" className="fn-link" onClick={() => setWrong(reference)}>
                      Something of {reference.id} was typed in wrongly
                    </button>
                  )}
                </section>
              ))}
            <Files of="reference" id={filed} adds={mayRecord(session.data?.user)} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setFiled(null)}>Close</Button>
          </DialogActions>
        </Dialog>
      )}
      {wrong && forms.data && (
        <CorrectKit
          owner="references"
          id={wrong.id}
          written={wrong.written}
          entries={forms.data.references.find((kind) => kind.id === wrong.kind)?.entries ?? []}
          onClose={() => setWrong(null)}
        />
      )}
      {adding === 'unit' && <RegisterUnit onClose={() => setAdding(null)} />}
      {adding === 'reference' && <RegisterReference onClose={() => setAdding(null)} />}
      {certificate && (
        <AddCertificate
          owner="references"
          id={certificate.id}
          kind={certificate.kind}
          onClose={() => setCertificate(null)}
        />
      )}
      {timing && (
        <SetInterval
          owner="references"
          id={timing.id}
          routines={timing.settable}
          set={timing.intervals}
          onClose={() => setTiming(null)}
        />
      )}
      {recalling && (
        <Recall
          owner="references"
          id={recalling.id}
          errorUnit={recalling.errorUnit}
          onClose={() => setRecalling(null)}
        />
      )}
    </>
  );
}

const words = (traits: { label: string; shown: string; flag: boolean }[]) =>
  traits
    .map((trait) => (trait.flag ? trait.label : `${trait.label} ${trait.shown}`))
    // A formula or a symbol keeps its capitals: CO, H₂S.
    .map((one) => (/^\p{Lu}[\p{Ll} ]/u.test(one) ? one.charAt(0).toLowerCase() + one.slice(1) : one))
    .join(', ');

function Head({ title, level, children }: { title: string; level: 'h1' | 'h2'; children: React.ReactNode }) {
  const Title = level;
  return (
    <div
      style={{
        display: 'flex',
        gap: 16,
        alignItems: 'baseline',
        margin: level === 'h1' ? '0 0 6px' : '28px 0 6px',
      }}
    >
      <Title className="fn-title" style={{ margin: 0, fontSize: '1.5rem' }}>
        {title}
      </Title>
      <span style={{ flex: 1 }} />
      {children}
    </div>
  );
}

/** A due date by ink, shape and word. */
export function Due({
  due,
  state,
  by,
}: {
  due: string | null;
  state: 'none' | 'past' | 'soon' | 'in date';
  /** The interval that ends before the certificate is due. */
  by: string | null;
}) {
  const colour = { none: ink.qualified, past: ink.void, soon: ink.qualified, 'in date': ink.text }[state];
  const sign = { none: '△', past: '✕', soon: '△', 'in date': '' }[state];
  return (
    <span style={{ color: colour, fontWeight: state === 'in date' ? 400 : 650, whiteSpace: 'nowrap' }}>
      <span aria-hidden="true">{sign} </span>
      {due ? dayOfYear(`${due}T12:00:00Z`) : 'no certificate'}
      {state === 'past' && ', past'}
      {state === 'soon' && ', soon'}
      {by && <div style={{ fontWeight: 400, color: ink.soft, fontSize: '0.84rem' }}>interval of {by}</div>}
    </span>
  );
}
