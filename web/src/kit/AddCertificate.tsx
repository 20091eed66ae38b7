import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange, useForms } from '../api/hooks';
import { CertificateFields, certificateOf, noCertificate } from './CertificateFields';
import { Form } from './Form';

export function AddCertificate({
  owner,
  id,
  kind = '',
  onClose,
}: {
  owner: 'instruments' | 'references';
  id: string;
  /** Of a reference: its kind. */
  kind?: string;
  onClose: () => void;
}) {
  const forms = useForms();
  const asked = forms.data?.references.find((one) => one.id === kind);
  const [draft, setDraft] = useState(() => noCertificate(owner === 'references'));
  const whole = asked && !asked.table ? { ...draft, table: [] } : draft;
  const add = useChange(async () => {
    const init = { params: { path: { id } }, body: certificateOf(whole, asked?.constants ?? []) };
    return owner === 'references'
      ? answer<unknown>(api.POST('/api/kit/references/{id}/certificates', init))
      : answer<unknown>(api.POST('/api/kit/instruments/{id}/certificates', init));
  }, onClose);
  return (
    <Form
      title={`A certificate for ${id}`}
      action="Add the certificate"
      problem={add.error}
      busy={add.isPending}
      onClose={onClose}
      onSubmit={() => add.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        Earlier certificates stay. What used this one is worked out again.
      </p>
      <CertificateFields draft={whole} set={setDraft} refusal={add.error} kind={asked} />
    </Form>
  );
}
