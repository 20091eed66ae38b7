import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';
import { CertificateFields, certificateOf, noCertificate } from './CertificateFields';
import { Form } from './Form';

export function AddCertificate({
  owner,
  id,
  onClose,
}: {
  owner: 'instruments' | 'references';
  id: string;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(() => noCertificate(owner === 'references'));
  const add = useChange(async () => {
    const init = { params: { path: { id } }, body: certificateOf(draft) };
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
        Earlier certificates stay. What leaned on this one is worked out again.
      </p>
      <CertificateFields draft={draft} set={setDraft} refusal={add.error} />
    </Form>
  );
}
