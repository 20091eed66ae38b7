import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useAsOpened, useChange } from '../api/hooks';
import { Form } from '../kit/Form';
import { ink } from '../look/theme';
import { plural } from '../look/words';

/** So many changes are told before the rest is counted. */
const TOLD = 6;

/** A person signs a report as it was read; what is signed over is said before. */
export function Issue({
  report,
  onClose,
  onIssued,
}: {
  report: Schemas['ClientReport'];
  onClose: () => void;
  onIssued: (edition: number) => void;
}) {
  const { id, draft, editions, remarks, changedSince } = useAsOpened(report);
  const [why, setWhy] = useState('');
  const after = editions[0]?.edition ?? 0;
  const issue = useChange(
    () =>
      answer(
        api.POST('/api/reports/{id}/editions', {
          params: { path: { id } },
          body: { digest: draft.digest, after, ...(after > 0 ? { why } : {}) },
        }),
      ),
    () => {
      onClose();
      onIssued(after + 1);
    },
  );
  const open = remarks.filter((one) => one.settled === null).length;
  const sections = draft.parts.filter((one) => one.part.startsWith('section:')).map((one) => one.title);
  return (
    <Form
      title={after > 0 ? `Sign edition ${after + 1} of ${id}` : `Sign and issue ${id}`}
      action="Sign and issue"
      problem={issue.error}
      busy={issue.isPending}
      onClose={onClose}
      onSubmit={() => issue.mutate(undefined)}
    >
      <div style={{ gridColumn: '1 / -1', display: 'grid', gap: 8 }}>
        <p style={{ margin: 0 }}>
          You sign all that stands in it now. It is frozen with your code, the time and its digest, and gets
          an address under which anybody who holds it sees whether it still stands.
        </p>
        <p style={{ margin: 0 }}>
          {plural(draft.parts.filter((one) => one.part.startsWith('run:')).length, 'run')}, in sections:{' '}
          {sections.join('; ')}.
        </p>
        {open > 0 && (
          <p style={{ margin: 0, color: ink.qualified, fontWeight: 650 }}>
            {plural(open, 'remark')} {open === 1 ? 'is' : 'are'} not settled: nothing is issued over it.
          </p>
        )}
        {after > 0 && (
          <>
            <p style={{ margin: 0 }}>
              {changedSince.length === 0 ? (
                `No result is otherwise than in edition ${after}.`
              ) : (
                <>
                  Otherwise than in edition {after}: {changedSince.slice(0, TOLD).join(' ')}
                  {changedSince.length > TOLD && ` And ${changedSince.length - TOLD} more.`}
                </>
              )}
            </p>
            <TextField
              label={`Why it follows edition ${after}`}
              value={why}
              onChange={(event) => setWhy(event.target.value)}
              error={issue.error?.of('why') !== undefined}
              helperText={issue.error?.of('why') ?? 'It stands in the new edition.'}
              required
              multiline
              fullWidth
            />
          </>
        )}
        <p style={{ margin: 0, color: ink.soft, fontSize: '0.84rem', overflowWrap: 'anywhere' }}>
          Digest of what you read: {draft.digest}
        </p>
      </div>
    </Form>
  );
}
