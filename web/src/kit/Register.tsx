import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useChange } from '../api/hooks';
import { CertificateFields, certificateOf, noCertificate } from './CertificateFields';
import { Field, Form } from './Form';

const diameters = ['1/4 in', '1/2 in', '1 in'];

export function RegisterUnit({ onClose }: { onClose: () => void }) {
  const [form, setForm] = useState({
    id: '',
    model: '',
    microphone: '1/2 in',
    class: '2',
    selfAdjusting: false,
    rangeLow: '',
    rangeHigh: '',
  });
  const [certificate, setCertificate] = useState(() => noCertificate(false));
  const register = useChange(
    () =>
      answer(
        api.POST('/api/kit/instruments', {
          body: {
            ...form,
            rangeLow: form.rangeLow || null,
            rangeHigh: form.rangeHigh || null,
            family: 'noise-dosimeter',
            certificates: certificate.number ? [{ ...certificateOf(certificate), values: [] }] : [],
          },
        }),
      ),
    onClose,
  );
  const refused = (name: string) => register.error?.of(name);
  return (
    <Form
      title="Register a dosimeter"
      action="Register"
      problem={register.error}
      busy={register.isPending}
      onClose={onClose}
      onSubmit={() => register.mutate(undefined)}
    >
      <Field
        label="Asset number"
        value={form.id}
        set={(id) => setForm({ ...form, id })}
        problem={refused('id')}
        required
      />
      <Field
        label="Model code"
        value={form.model}
        set={(model) => setForm({ ...form, model })}
        problem={refused('model')}
        required
      />
      <TextField
        select
        label="Microphone diameter"
        value={form.microphone}
        onChange={(event) => setForm({ ...form, microphone: event.target.value })}
      >
        {diameters.map((diameter) => (
          <MenuItem key={diameter} value={diameter}>
            {diameter}
          </MenuItem>
        ))}
      </TextField>
      <Field label="Class" value={form.class} set={(value) => setForm({ ...form, class: value })} />
      <Field
        label="Range from, dB"
        value={form.rangeLow}
        set={(rangeLow) => setForm({ ...form, rangeLow })}
        problem={refused('rangeLow')}
      />
      <Field
        label="Range to, dB"
        value={form.rangeHigh}
        set={(rangeHigh) => setForm({ ...form, rangeHigh })}
        problem={refused('rangeHigh')}
      />
      <FormControlLabel
        sx={{ gridColumn: '1 / -1' }}
        control={
          <Checkbox
            checked={form.selfAdjusting}
            onChange={(event) => setForm({ ...form, selfAdjusting: event.target.checked })}
          />
        }
        label="It adjusts itself when it hears the calibrator"
      />
      <h3 style={{ gridColumn: '1 / -1', margin: 0 }}>Laboratory certificate, where there is one</h3>
      <CertificateFields draft={certificate} set={setCertificate} refusal={register.error} required={false} />
    </Form>
  );
}

export function RegisterReference({ onClose }: { onClose: () => void }) {
  const [id, setId] = useState('');
  const [model, setModel] = useState('');
  const [adapters, setAdapters] = useState<string[]>(['1/2 in']);
  const [certificate, setCertificate] = useState(() => noCertificate(true));
  const register = useChange(
    () =>
      answer(
        api.POST('/api/kit/references', {
          body: {
            id,
            model,
            kind: 'acoustic-calibrator',
            adapters,
            certificates: [certificateOf(certificate)],
          },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title="Register a calibrator"
      action="Register"
      problem={register.error}
      busy={register.isPending}
      onClose={onClose}
      onSubmit={() => register.mutate(undefined)}
    >
      <Field label="Asset number" value={id} set={setId} problem={register.error?.of('id')} required />
      <Field label="Model code" value={model} set={setModel} problem={register.error?.of('model')} required />
      <fieldset style={{ gridColumn: '1 / -1', border: 0, padding: 0, margin: 0 }}>
        <legend>Adapters</legend>
        {diameters.map((diameter) => (
          <FormControlLabel
            key={diameter}
            control={
              <Checkbox
                checked={adapters.includes(diameter)}
                onChange={(event) =>
                  setAdapters(
                    event.target.checked
                      ? [...adapters, diameter]
                      : adapters.filter((one) => one !== diameter),
                  )
                }
              />
            }
            label={diameter}
          />
        ))}
      </fieldset>
      <CertificateFields draft={certificate} set={setCertificate} refusal={register.error} />
    </Form>
  );
}
