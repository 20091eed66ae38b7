import Button from '@mui/material/Button';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useKitWord } from '../api/hooks';
import { Entries } from '../look/Entries';
import { ink } from '../look/theme';
import { filled, type Values } from '../look/values';
import { day } from '../look/words';
import { Form } from './Form';

type Word = Schemas['KitWord'];
type Owner = 'instruments' | 'references';

const isText = (value: unknown): value is string => typeof value === 'string' && value !== '';
const isRows = (value: unknown): value is Record<string, unknown>[] => Array.isArray(value);

/** Where a thing of the kit is, whose it is and what belongs to it, as it was said last. */
export function KitWord({ owner, id, says }: { owner: Owner; id: string; says: boolean }) {
  const asked = useKitWord(owner, id);
  const [saying, setSaying] = useState(false);
  if (asked.data === undefined) {
    return null;
  }
  const { said, entries } = asked.data;
  const words = (entry: Schemas['Entry']): string | null => {
    const value = said?.record[entry.name];
    if (isRows(value)) {
      const names = value.map(
        (row) => `${String(row['what'])}${row['missing'] === true ? ' (missing)' : ''}`,
      );
      return names.length === 0 ? null : names.join(', ');
    }
    return isText(value) ? (entry.choices.find((one) => one.value === value)?.words ?? value) : null;
  };
  return (
    <section aria-labelledby={`word-${id}`}>
      <h2 id={`word-${id}`} style={{ margin: '14px 0 2px' }}>
        Where it is, and what belongs to it
      </h2>
      <p style={{ margin: 0 }}>
        {said === null ? (
          <span style={{ color: ink.soft }}>Nobody has said.</span>
        ) : (
          <>
            {entries
              .flatMap((entry) => {
                const told = words(entry);
                return told === null ? [] : [`${entry.label}: ${told}`];
              })
              .join(' · ')}{' '}
            <span style={{ color: ink.soft }}>
              ({said.by}, {day(said.at)})
            </span>
          </>
        )}{' '}
        {says && (
          <Button size="small" onClick={() => setSaying(true)}>
            {said === null ? 'Say where it is' : 'Say it anew'}
          </Button>
        )}
      </p>
      {saying && <Say owner={owner} id={id} word={asked.data} onClose={() => setSaying(false)} />}
    </section>
  );
}

function Say({ owner, id, word, onClose }: { owner: Owner; id: string; word: Word; onClose: () => void }) {
  const [values, setValues] = useState<Values>(() => word.said?.record ?? { state: 'here' });
  const say = useChange(() => {
    const told = { params: { path: { id } }, body: filled(word.entries, values) };
    return owner === 'instruments'
      ? answer(api.POST('/api/kit/instruments/{id}/word', told))
      : answer(api.POST('/api/kit/references/{id}/word', told));
  }, onClose);
  return (
    <Form
      title={`Where ${id} is`}
      action="Say it"
      wide
      problem={say.error}
      busy={say.isPending}
      onClose={onClose}
      onSubmit={() => say.mutate(undefined)}
    >
      <Entries
        entries={word.entries}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(name) => say.error?.of(name)}
      />
    </Form>
  );
}
