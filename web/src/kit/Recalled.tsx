import Button from '@mui/material/Button';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, type Owner } from '../api/hooks';
import { ink } from '../look/theme';
import { minus, shortDay } from '../look/words';
import { Form } from './Form';
import { Reason } from './Reason';

/** A recall of a reference or a unit; one that was taken back says so, and stays on record. */
export function Recalled({
  owner,
  id,
  errorUnit = null,
  recall,
  takesBack,
}: {
  owner: Owner;
  id: string;
  errorUnit?: string | null;
  recall: Schemas['Recall'];
  takesBack: boolean;
}) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const back = useChange(
    async () => {
      const asked = { params: { path: { id, place: String(recall.place) } }, body: { reason } };
      await (owner === 'references'
        ? answer(api.POST('/api/kit/references/{id}/recalls/{place}/taken-back', asked))
        : answer(api.POST('/api/kit/instruments/{id}/recalls/{place}/taken-back', asked)));
    },
    () => setAsking(false),
  );
  const words = (
    <>
      recalled since {shortDay(recall.since)}: {recall.reason}
      {recall.until && `; found on ${shortDay(recall.until)}`}
      {owner === 'references' &&
        (recall.error ? `; off by ${minus(recall.error)} ${errorUnit ?? ''}` : '; how far off is not known')}
    </>
  );
  if (recall.takenBack) {
    return (
      <div style={{ color: ink.soft, fontSize: '0.86rem' }}>
        <s>{words}</s>; taken back by {recall.takenBack.by}: {recall.takenBack.reason}
      </div>
    );
  }
  return (
    <div style={{ color: ink.void, fontSize: '0.86rem' }}>
      {words}
      {takesBack && (
        <Button size="small" onClick={() => setAsking(true)}>
          Take the recall back
        </Button>
      )}
      {asking && (
        <Form
          title={`Take the recall of ${id} back`}
          action="Take it back"
          problem={back.error}
          busy={back.isPending}
          onClose={() => setAsking(false)}
          onSubmit={() => back.mutate(undefined)}
        >
          <p style={{ gridColumn: '1 / -1', margin: 0 }}>
            It stays on record with your word beside it. Every result that leaned on it is worked out again.
          </p>
          <Reason label="Why it was made in error" value={reason} set={setReason} refusal={back.error} />
        </Form>
      )}
    </div>
  );
}
