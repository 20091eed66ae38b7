import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { Roles } from './Roles';

/** What somebody may do from now on; without a role access ends. */
export function ChangePerson({
  person,
  roles,
  onClose,
}: {
  person: Schemas['Person'];
  roles: Schemas['RoleHeld'][];
  onClose: () => void;
}) {
  const [held, setHeld] = useState<Schemas['Role'][]>(person.roles);
  const [reason, setReason] = useState('');
  const change = useChange(() => {
    const path = { name: person.name };
    return held.length === 0
      ? answer(api.POST('/api/people/{name}/end', { params: { path }, body: { reason } }))
      : answer(api.POST('/api/people/{name}/roles', { params: { path }, body: { roles: held, reason } }));
  }, onClose);
  return (
    <Form
      title={`What ${person.name} may do`}
      action={held.length === 0 ? 'End the access' : 'Save'}
      problem={change.error}
      busy={change.isPending}
      onClose={onClose}
      onSubmit={() => change.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        It holds at once: {person.name} is signed out everywhere. What was recorded and signed stays, under{' '}
        {person.code}. Without a role access ends.
      </p>
      <Roles all={roles} held={held} set={setHeld} problem={change.error?.of('roles')} />
      <div style={{ gridColumn: '1 / -1', display: 'grid' }}>
        <Field
          label="Why"
          value={reason}
          set={setReason}
          problem={change.error?.of('reason')}
          help="It stands in the journal"
          required
        />
      </div>
    </Form>
  );
}
