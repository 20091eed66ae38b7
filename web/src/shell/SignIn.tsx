import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';
import { isLeaving, leave } from '../away/leaving';
import { WaitsHere } from '../away/WaitsHere';
import { Told } from '../look/Told';
import { PASSWORD_HELP } from '../people/words';
import { ink } from '../look/theme';

export function SignIn() {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [oneTimeCode, setCode] = useState<string | null>(null);
  const isFirst = oneTimeCode !== null;
  const enter = useChange(async (body: { name: string; password: string }) => {
    // Somebody left while no server answered: that is done first.
    if (isLeaving()) {
      await leave();
    }
    if (oneTimeCode !== null) {
      await answer(api.POST('/api/session/first', { body: { ...body, oneTimeCode } }));
      // It is used up now.
      setCode(null);
    }
    return answer(api.POST('/api/session/begin', { body }));
  });
  return (
    <main
      style={{
        maxWidth: 760,
        margin: '11vh auto 0',
        padding: '0 24px',
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fit, minmax(280px, 1fr))',
        gap: 48,
      }}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          enter.mutate({ name: name.trim(), password });
        }}
        style={{ display: 'grid', gap: 16, alignContent: 'start' }}
      >
        <Typography variant="h1">
          Footnote<sup style={{ fontSize: '0.5em', color: ink.press }}>1</sup>
        </Typography>
        <TextField
          label="Name"
          value={name}
          onChange={(event) => setName(event.target.value)}
          autoComplete="username"
          required
          autoFocus
        />
        {isFirst && (
          <TextField
            label="One-time code"
            value={oneTimeCode}
            onChange={(event) => setCode(event.target.value)}
            autoComplete="one-time-code"
            helperText="From the steward who let you in"
            required
          />
        )}
        <TextField
          label={isFirst ? 'New password' : 'Password'}
          type="password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          autoComplete={isFirst ? 'new-password' : 'current-password'}
          error={enter.error?.of('password') !== undefined}
          helperText={isFirst ? (enter.error?.of('password') ?? PASSWORD_HELP) : undefined}
          required
        />
        <Told problem={enter.error} />
        <WaitsHere />
        <Button type="submit" variant="contained" disabled={enter.isPending} sx={{ minHeight: 48 }}>
          {isFirst ? 'Choose the password and sign in' : 'Sign in'}
        </Button>
        <Button
          size="small"
          sx={{ justifySelf: 'start' }}
          onClick={() => {
            enter.reset();
            setCode(isFirst ? null : '');
          }}
        >
          {isFirst ? 'I have a password' : 'I have a one-time code'}
        </Button>
      </form>
      <aside
        style={{ borderLeft: `1px solid ${ink.rule}`, paddingLeft: 20, color: ink.soft, fontSize: '0.92rem' }}
      >
        <p style={{ margin: 0 }}>
          <b style={{ color: ink.press }}>1</b> A number without its footnote is a rumour.
        </p>
        <p>
          Footnote is a record and a calculator. It does not replace the instrument&rsquo;s manual, local law,
          or the judgement of a licensed or certified practitioner. It is no alarm and no clearance. Limits
          shipped are examples with their source; the limit that binds is the local one.
        </p>
      </aside>
    </main>
  );
}
