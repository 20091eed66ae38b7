import FormControlLabel from '@mui/material/FormControlLabel';
import Checkbox from '@mui/material/Checkbox';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useForms } from '../api/hooks';
import { ink } from '../look/theme';
import { CertificateFields, certificateOf, draftOf } from './CertificateFields';
import { Form } from './Form';
import { Reason } from './Reason';

type Certificate = Schemas['Certificate'];

interface Owner {
  owner: 'instruments' | 'references';
  id: string;
  /** Of a reference: its kind. */
  kind?: string;
}

/** Every certificate on record; one that was typed in wrongly stays, struck, with what was said of it. */
export function Certificates({
  certificates,
  corrects,
  ...owner
}: Owner & { certificates: Certificate[]; corrects: boolean }) {
  const [correcting, setCorrecting] = useState<Certificate | null>(null);
  return (
    <>
      {certificates.length === 0 && <p style={{ color: ink.soft }}>None.</p>}
      {certificates.map((one, place) => (
        <p key={place} style={{ margin: '2px 0' }}>
          <span style={one.word ? { textDecoration: 'line-through', color: ink.soft } : {}}>
            {one.number}, {one.laboratory}, issued {one.issued}, due {one.due}
          </span>
          {one.word && <span style={{ color: ink.qualified }}> {one.word}</span>}
          {corrects && !one.word && (
            <button
              type="button"
              className="fn-link"
              style={{ marginLeft: 12 }}
              aria-label={`Correct ${one.number}`}
              onClick={() => setCorrecting(one)}
            >
              Correct
            </button>
          )}
        </p>
      ))}
      {correcting && <Correct {...owner} certificate={correcting} onClose={() => setCorrecting(null)} />}
    </>
  );
}

function Correct({
  owner,
  id,
  kind = '',
  certificate,
  onClose,
}: Owner & { certificate: Certificate; onClose: () => void }) {
  const forms = useForms();
  const asked = forms.data?.references.find((one) => one.id === kind);
  const [draft, setDraft] = useState(() => draftOf(certificate));
  const [reason, setReason] = useState('');
  const [withdrawn, setWithdrawn] = useState(false);
  const correct = useChange(() => {
    const init = {
      params: { path: { id } },
      body: {
        corrects: { number: certificate.number, issued: certificate.issued },
        reason,
        ...(withdrawn ? {} : { certificate: certificateOf(draft, asked?.constants ?? []) }),
      },
    };
    return owner === 'references'
      ? answer(api.POST('/api/kit/references/{id}/certificates/correction', init))
      : answer(api.POST('/api/kit/instruments/{id}/certificates/correction', init));
  }, onClose);
  return (
    <Form
      title={`Certificate ${certificate.number} of ${id}`}
      action={withdrawn ? 'Withdraw it' : 'Put this in its place'}
      problem={correct.error}
      busy={correct.isPending}
      onClose={onClose}
      onSubmit={() => correct.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        What was written before stays on record. What used it is worked out again, and says what was
        corrected.
      </p>
      <FormControlLabel
        sx={{ gridColumn: '1 / -1' }}
        label={`It is no certificate of ${id}: withdraw it`}
        control={<Checkbox checked={withdrawn} onChange={(event) => setWithdrawn(event.target.checked)} />}
      />
      {!withdrawn && <CertificateFields draft={draft} set={setDraft} refusal={correct.error} kind={asked} />}
      <Reason label="What was wrong" value={reason} set={setReason} refusal={correct.error} />
    </Form>
  );
}
