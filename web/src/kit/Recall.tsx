import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';
import { isoOf } from '../look/words';
import { Field, Form } from './Form';

export function Recall({ id, onClose }: { id: string; onClose: () => void }) {
  const [since, setSince] = useState('');
  const [reason, setReason] = useState('');
  const recall = useChange(
    () =>
      answer(
        api.POST('/api/kit/references/{id}/recalls', {
          params: { path: { id } },
          body: { since: isoOf(since), reason },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title={`Recall ${id}`}
      action="Recall"
      problem={recall.error}
      busy={recall.isPending}
      onClose={onClose}
      onSubmit={() => recall.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        Every result that leaned on it since then says so. What was signed stays signed and is marked:
        evidence has changed.
      </p>
      <Field
        label="Not to be trusted since, local time"
        type="datetime-local"
        value={since}
        set={setSince}
        problem={recall.error?.of('since')}
        required
      />
      <Field
        label="What was found"
        value={reason}
        set={setReason}
        problem={recall.error?.of('reason')}
        required
      />
    </Form>
  );
}
