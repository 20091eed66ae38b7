import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Entries } from '../look/Entries';
import { ink } from '../look/theme';
import { filled, type Entry, type Values } from '../look/values';
import { moment } from '../look/words';
import { Field, Form } from './Form';
import { Reason } from './Reason';

/** What was typed in wrongly of a unit or a reference is put right: everything that may be corrected, as it stands, with why. */
export function CorrectKit({
  owner,
  id,
  written,
  entries,
  onClose,
}: {
  owner: 'instruments' | 'references';
  id: string;
  written: Values;
  entries: Entry[];
  onClose: () => void;
}) {
  const text = (name: string) => (typeof written[name] === 'string' ? written[name] : '');
  const [model, setModel] = useState(text('model'));
  const [serial, setSerial] = useState(text('serial'));
  const [values, setValues] = useState<Values>(written);
  const [reason, setReason] = useState('');
  const correct = useChange(() => {
    const init = {
      params: { path: { id } },
      body: {
        reason,
        record: { ...filled(entries, values), model, ...(serial.trim() ? { serial: serial.trim() } : {}) },
      },
    };
    return owner === 'references'
      ? answer(api.POST('/api/kit/references/{id}/correction', init))
      : answer(api.POST('/api/kit/instruments/{id}/correction', init));
  }, onClose);
  return (
    <Form
      title={`What the kit says of ${id}`}
      action="Put it right"
      problem={correct.error}
      busy={correct.isPending}
      onClose={onClose}
      onSubmit={() => correct.mutate(undefined)}
    >
      <p style={{ gridColumn: '1 / -1', margin: 0 }}>
        For what was typed in wrongly, not for what has changed: everything measured with it is worked out
        again with this. What stood here stays on record.
      </p>
      <Field label="Model code" value={model} set={setModel} problem={correct.error?.of('model')} required />
      {owner === 'instruments' && (
        <Field
          label="Serial number, as its logs give it"
          value={serial}
          set={setSerial}
          problem={correct.error?.of('serial')}
        />
      )}
      <Entries
        entries={entries}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(name) => correct.error?.of(name)}
      />
      <Reason label="What was wrong" value={reason} set={setReason} refusal={correct.error} />
    </Form>
  );
}

/** What was corrected of it since it was registered. */
export function CorrectedWords({ corrections }: { corrections: Schemas['KitCorrection'][] }) {
  return (
    <>
      {corrections.map((one, place) => (
        <p key={place} style={{ margin: '2px 0', color: ink.soft, overflowWrap: 'anywhere' }}>
          Corrected {moment(one.at)}, {one.by}: {one.words}. {one.reason}
        </p>
      ))}
    </>
  );
}
