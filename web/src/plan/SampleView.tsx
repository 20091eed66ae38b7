import Button from '@mui/material/Button';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange, usePlanForm } from '../api/hooks';
import { Entries } from '../look/Entries';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { filled, firstMissing, type Values } from '../look/values';
import { line, NoteBook, Value } from '../results/notes';
import { Typesetting } from '../results/Typeset';

/** A plan for a usable answer: how much air, how many media, and what past drift would do to it. Nothing is stored. */
export function SampleView() {
  const form = usePlanForm();
  const [values, setValues] = useState<Values>({ share: '0.1', shiftMinutes: '480' });
  const [opened, setOpened] = useState<string | null>(null);
  const plan = useChange((body: Values) => answer(api.POST('/api/plan', { body })));
  if (form.data === undefined) {
    return <Lacking of={[form]} />;
  }
  const { entries } = form.data;
  const missing = firstMissing(entries, values);
  const book = new NoteBook(plan.data?.figures ?? []);
  return (
    <>
      <h1 className="fn-title" style={{ margin: 0 }}>
        A plan for a usable answer
      </h1>
      <p style={{ margin: '2px 0 16px', color: ink.soft }}>
        How much air must be drawn so that a share of the limit is still quantified; whether the method and
        the shift allow it; how many media in a row. Nothing is stored.
      </p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          plan.mutate(filled(entries, values));
        }}
      >
        <div
          style={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(260px, 1fr))',
            gap: 16,
            maxWidth: 1000,
          }}
        >
          <Entries
            entries={entries}
            values={values}
            put={(change) => setValues({ ...values, ...change })}
            problem={(name) => plan.error?.of(name)}
          />
        </div>
        <div style={{ marginTop: 16, display: 'flex', gap: 14, alignItems: 'center' }}>
          <Button
            type="submit"
            variant="contained"
            disabled={missing !== null || plan.isPending}
            sx={{ minHeight: 48 }}
          >
            Work it out
          </Button>
          {missing !== null && <span style={{ color: ink.soft }}>Still wanted: {missing}.</span>}
        </div>
        <Told problem={plan.error} />
      </form>
      {plan.data && (
        <Typesetting>
          <section aria-live="polite" style={{ marginTop: 22 }}>
            {plan.data.words.map((words, place) => (
              <p
                key={words}
                style={{
                  margin: '3px 0',
                  fontSize: place === 0 ? '1.15rem' : '1rem',
                  fontWeight: place === 0 ? 600 : 400,
                  color: place === 0 && !plan.data.usable ? ink.void : ink.text,
                }}
              >
                {place === 0 && <span aria-hidden="true">{plan.data.usable ? '✓ ' : '✕ '}</span>}
                {words}
              </p>
            ))}
            {plan.data.lines.map((one) => (
              <div key={one.figure}>
                {line(book, opened, setOpened, (cite) => (
                  <p style={{ margin: '6px 0', borderTop: `1px solid ${ink.faint}`, paddingTop: 6 }}>
                    {one.meaning}: <Value of={one} />
                    {cite(one.figure)}
                  </p>
                ))}
              </div>
            ))}
          </section>
        </Typesetting>
      )}
    </>
  );
}
