import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useLeave } from '../api/hooks';
import { Told } from '../look/Told';
import { PASSWORD_HELP } from './words';

/** What one may do, and by what one signs in. */
export function OwnAccess({ user }: { user: Schemas['User'] }) {
  const [now, setNow] = useState('');
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const change = useChange(
    async () => {
      await answer(api.POST('/api/session/password', { body: { now, password } }));
      // The new one ends every session, this one too.
      await answer(api.POST('/api/session/begin', { body: { name: user.name, password } }));
    },
    () => {
      setNow('');
      setPassword('');
      setAgain('');
    },
  );
  const everywhere = useLeave(() => answer(api.POST('/api/session/everywhere')));
  const differs = again !== '' && again !== password;
  return (
    <section aria-label="Your access" style={{ display: 'grid', gap: 12, maxWidth: 720 }}>
      <p style={{ margin: 0 }}>
        You sign in as <b>{user.name}</b>; <b>{user.code}</b> stands under what you record.
      </p>
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {user.roles.map((held) => (
          <li key={held.role}>
            As <b>{held.role}</b> you may {held.may}.
          </li>
        ))}
      </ul>
      <form
        aria-label="Another password"
        style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'start' }}
        onSubmit={(event) => {
          event.preventDefault();
          if (!differs) {
            change.mutate(undefined);
          }
        }}
      >
        <input type="text" name="username" value={user.name} autoComplete="username" readOnly hidden />
        <TextField
          label="Password now"
          type="password"
          size="small"
          value={now}
          onChange={(event) => setNow(event.target.value)}
          autoComplete="current-password"
          error={change.error?.of('now') !== undefined}
          helperText={change.error?.of('now')}
          required
        />
        <TextField
          label="New password"
          type="password"
          size="small"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          autoComplete="new-password"
          error={change.error?.of('password') !== undefined}
          helperText={change.error?.of('password') ?? PASSWORD_HELP}
          required
        />
        <TextField
          label="New password again"
          type="password"
          size="small"
          value={again}
          onChange={(event) => setAgain(event.target.value)}
          autoComplete="new-password"
          error={differs}
          helperText={differs ? 'is another one' : undefined}
          required
        />
        <Button type="submit" variant="outlined" disabled={change.isPending} sx={{ minHeight: 40 }}>
          Change the password
        </Button>
      </form>
      <Told problem={change.error} />
      <span role="status">{change.isSuccess && 'It is changed. Elsewhere you are signed out.'}</span>
      <div>
        <Button variant="outlined" onClick={() => everywhere.mutate()} disabled={everywhere.isPending}>
          Sign out everywhere
        </Button>
        <Told problem={everywhere.error} />
      </div>
    </section>
  );
}
