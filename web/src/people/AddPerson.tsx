import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Field, Form } from '../kit/Form';
import { Roles } from './Roles';

/** Somebody new, who chooses a password by a code. */
export function AddPerson({
  roles,
  onClose,
  onAdded,
}: {
  roles: Schemas['RoleHeld'][];
  onClose: () => void;
  onAdded: (made: Schemas['Invited']) => void;
}) {
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [held, setHeld] = useState<Schemas['Role'][]>(['technician']);
  const add = useChange(
    () => answer(api.POST('/api/people', { body: { name: name.trim(), code: code.trim(), roles: held } })),
    onAdded,
  );
  return (
    <Form
      title="Add a person"
      action="Add and make a code"
      problem={add.error}
      busy={add.isPending}
      onClose={onClose}
      onSubmit={() => add.mutate(undefined)}
    >
      <Field
        label="Name"
        value={name}
        set={setName}
        problem={add.error?.of('name')}
        help="To sign in with; it need not be the person's own name"
        required
      />
      <Field
        label="Code"
        value={code}
        set={setCode}
        problem={add.error?.of('code')}
        help="Stands under what the person records, such as H-2; it stays for good"
        required
      />
      <Roles all={roles} held={held} set={setHeld} problem={add.error?.of('roles')} />
    </Form>
  );
}
