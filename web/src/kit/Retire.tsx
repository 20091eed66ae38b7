import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { Form } from './Form';
import { Reason } from './Reason';

/** Takes a unit or a reference out of use, or back into it. */
export function Retire({
  owner,
  id,
  back,
  onClose,
}: {
  owner: 'instruments' | 'references';
  id: string;
  back: boolean;
  onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const say = useChange(() => {
    const asked = { params: { path: { id } }, body: { reason, back } };
    return answer(
      owner === 'instruments'
        ? api.POST('/api/kit/instruments/{id}/retirement', asked)
        : api.POST('/api/kit/references/{id}/retirement', asked),
    );
  }, onClose);
  return (
    <Form
      title={back ? `Take ${id} back into use` : `Take ${id} out of use`}
      action={back ? 'Take it back' : 'Take it out of use'}
      problem={say.error}
      busy={say.isPending}
      onClose={onClose}
      onSubmit={() => say.mutate(undefined)}
    >
      <p style={{ margin: 0, gridColumn: '1 / -1' }}>
        {back
          ? 'It can be checked and chosen again. That it was out of use stays on record.'
          : 'Nothing new begins with it. What was measured with it stands as it stood, and it stays in the kit.'}
      </p>
      <Reason label="Why" value={reason} set={setReason} refusal={say.error} />
    </Form>
  );
}

/** That it is out of use, since when and why. */
export function RetiredWords({ retired }: { retired: Schemas['Retired'] | undefined }) {
  return retired ? (
    <span style={{ color: ink.qualified, overflowWrap: 'anywhere' }}>
      out of use since {moment(retired.at)}, {retired.by}: {retired.reason}
    </span>
  ) : null;
}
