import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';

type Text = Schemas['ClientReports']['texts'][number];

const titles: Record<string, string> = {
  cover: 'On the cover',
  summary: 'Before the summary',
  cautions: 'Cautions and limits of use',
  letter: 'Letter after a recall',
};

/** Texts that every report begins with: a steward writes them, in plain words with placeholders. */
export function HouseTexts({ texts, writes }: { texts: Text[]; writes: boolean }) {
  return (
    <section aria-labelledby="texts" style={{ marginBottom: 22 }}>
      <h2 id="texts" style={{ margin: '8px 0 2px' }}>
        Texts of the house
      </h2>
      <p style={{ color: ink.soft, margin: '0 0 8px' }}>
        They stand in every draft, in every letter, and in what is issued from now on; what is issued already
        stays as it is.
        {!writes && ' A steward writes them.'}
      </p>
      {texts.map((one) => (
        <One key={one.name} text={one} writes={writes} />
      ))}
    </section>
  );
}

function One({ text, writes }: { text: Text; writes: boolean }) {
  const [typed, setTyped] = useState<string | null>(null);
  const write = useChange(
    (words: string) => answer(api.POST('/api/reports/texts', { body: { name: text.name, text: words } })),
    () => setTyped(null),
  );
  return (
    <form
      style={{ margin: '0 0 14px' }}
      onSubmit={(event) => {
        event.preventDefault();
        write.mutate(typed ?? text.text);
      }}
    >
      <TextField
        label={titles[text.name] ?? text.name}
        value={typed ?? text.text}
        onChange={(event) => setTyped(event.target.value)}
        error={write.error?.of('text') !== undefined}
        helperText={
          write.error?.of('text') ?? (text.at ? `Written by ${text.by}, ${moment(text.at)}` : 'As it came')
        }
        multiline
        fullWidth
        disabled={!writes}
      />
      <details style={{ color: ink.soft, fontSize: '0.86rem' }}>
        <summary>What may stand in braces</summary>
        {text.placeholders.map((one) => (
          <div key={one.name}>
            <code>{`{${one.name}}`}</code> {one.words}
          </div>
        ))}
      </details>
      {typed !== null && typed !== text.text && (
        <div style={{ display: 'flex', gap: 10, marginTop: 6 }}>
          <Button type="submit" variant="contained" disabled={write.isPending}>
            Keep this text
          </Button>
          <Button onClick={() => setTyped(null)}>As it was</Button>
        </div>
      )}
      {write.error?.of('text') === undefined && <Told problem={write.error} />}
    </form>
  );
}
