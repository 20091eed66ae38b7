import Button from '@mui/material/Button';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useForms, useLibrary, useSession } from '../api/hooks';
import { Entries } from '../look/Entries';
import { ink } from '../look/theme';
import { filled, type Values } from '../look/values';
import { mayRecord } from '../shell/roles';
import { Field, Form } from './Form';
import { ModelSheets } from './ModelSheets';
import { TakeEntry } from './TakeEntry';

type Shelf = Schemas['Library']['shelves'][number];

/** Model sheets are written for a model and have a view of their own. */
const isPlain = (shelf: Shelf) => shelf.id !== 'model-sheets';

/** Sampler types, methods, substances: what runs look things up in. */
export function Library() {
  const library = useLibrary();
  const session = useSession();
  const [adding, setAdding] = useState<Shelf | null>(null);
  if (!library.data) {
    return null;
  }
  return (
    <>
      <ModelSheets />
      {library.data.shelves.filter(isPlain).map((shelf) => (
        <section key={shelf.id} aria-labelledby={`shelf-${shelf.id}`}>
          <div style={{ display: 'flex', gap: 16, alignItems: 'baseline', margin: '28px 0 6px' }}>
            <h2 id={`shelf-${shelf.id}`} className="fn-title" style={{ margin: 0, fontSize: '1.5rem' }}>
              {shelf.title}
            </h2>
            <span style={{ flex: 1 }} />
            {mayRecord(session.data?.user) && (
              <Button variant="outlined" onClick={() => setAdding(shelf)}>
                Add a {shelf.one}
              </Button>
            )}
          </div>
          {shelf.items.length === 0 ? (
            <p style={{ color: ink.soft }}>None yet.</p>
          ) : (
            <div style={{ overflowX: 'auto' }}>
              <table className="fn-table">
                <thead>
                  <tr>
                    <th style={{ width: 130 }}>Code</th>
                    <th style={{ width: 260 }}>Name</th>
                    <th>What is known of it</th>
                  </tr>
                </thead>
                <tbody>
                  {shelf.items.map((item) => (
                    <tr key={item.code}>
                      <td>
                        <b>{item.code}</b>
                      </td>
                      <td>
                        {item.name}{' '}
                        <a
                          href={`/api/kit/library/${shelf.id}/${item.code}`}
                          download
                          aria-label={`JSON of ${item.name}`}
                          style={{ fontSize: '0.82rem' }}
                        >
                          JSON
                        </a>
                      </td>
                      <td style={{ color: ink.soft }}>
                        {item.traits
                          .map((trait) => (trait.flag ? trait.label : `${trait.label} ${trait.shown}`))
                          .join(' · ')}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
      ))}
      {adding && <Add shelf={adding} onClose={() => setAdding(null)} />}
    </>
  );
}

function Add({ shelf, onClose }: { shelf: Shelf; onClose: () => void }) {
  const forms = useForms();
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [values, setValues] = useState<Values>({});
  const asked = forms.data?.shelves.find((one) => one.id === shelf.id)?.entries ?? [];
  const add = useChange(
    () =>
      answer(
        api.POST('/api/kit/library/{shelf}', {
          params: { path: { shelf: shelf.id } },
          body: { ...filled(asked, values), code, name },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title={`Add a ${shelf.one}`}
      action="Add it"
      problem={add.error}
      busy={add.isPending}
      onClose={onClose}
      onSubmit={() => add.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        Results lean on an entry as it is, so it is never changed: what differs gets a code of its own.
      </p>
      <TakeEntry
        words="An entry that was kept as JSON fills the form."
        refusal="is no entry of a library. What stands in the form was kept."
        take={(entry) => {
          setCode(entry.code);
          setName(entry.name);
          setValues(entry.rest);
        }}
      />
      <Field label="Code" value={code} set={setCode} problem={add.error?.of('code')} required />
      <Field label="Name" value={name} set={setName} problem={add.error?.of('name')} required />
      <Entries
        entries={asked}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(field) => add.error?.of(field)}
      />
    </Form>
  );
}
