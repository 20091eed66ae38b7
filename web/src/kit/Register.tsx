import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useForms } from '../api/hooks';
import { Entries } from '../look/Entries';
import { filled, type Values } from '../look/values';
import { CertificateFields, certificateOf, noCertificate } from './CertificateFields';
import { Field, Form } from './Form';

type Forms = Schemas['Forms'];

/** Registers a unit of any family; what is asked of it is the family's to say. */
export function RegisterUnit({ onClose }: { onClose: () => void }) {
  const forms = useForms();
  return forms.data ? <Unit forms={forms.data} onClose={onClose} /> : null;
}

function Unit({ forms, onClose }: { forms: Forms; onClose: () => void }) {
  const [family, setFamily] = useState(forms.families[0]?.id ?? '');
  const [form, setForm] = useState({ id: '', model: '', serial: '' });
  const [values, setValues] = useState<Values>({});
  const [certificate, setCertificate] = useState(() => noCertificate(false));
  const asked = [...(forms.families.find((one) => one.id === family)?.entries ?? []), ...forms.ofAnyUnit];
  const register = useChange(
    () =>
      answer(
        api.POST('/api/kit/instruments', {
          body: {
            ...filled(asked, values),
            id: form.id,
            model: form.model,
            ...(form.serial ? { serial: form.serial } : {}),
            family,
            certificates: certificate.number ? [certificateOf(certificate, [])] : [],
          },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title="Register an instrument"
      action="Register"
      problem={register.error}
      busy={register.isPending}
      onClose={onClose}
      onSubmit={() => register.mutate(undefined)}
    >
      <TextField
        select
        label="Family"
        value={family}
        onChange={(event) => {
          setFamily(event.target.value);
          setValues({});
        }}
        sx={{ gridColumn: '1 / -1' }}
      >
        {forms.families.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.title}
          </MenuItem>
        ))}
      </TextField>
      <Field
        label="Asset number"
        value={form.id}
        set={(id) => setForm({ ...form, id })}
        problem={register.error?.of('id')}
        required
      />
      <Field
        label="Model code"
        value={form.model}
        set={(model) => setForm({ ...form, model })}
        problem={register.error?.of('model')}
        required
      />
      <Field
        label="Serial number, as its logs give it"
        value={form.serial}
        set={(serial) => setForm({ ...form, serial })}
        problem={register.error?.of('serial')}
      />
      <Entries
        entries={asked}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(name) => register.error?.of(name)}
      />
      <h3 style={{ gridColumn: '1 / -1', margin: 0 }}>Laboratory certificate, where there is one</h3>
      <CertificateFields draft={certificate} set={setCertificate} refusal={register.error} required={false} />
    </Form>
  );
}

/** Registers a reference of any kind; what is asked of it, and of its certificate, is the kind's to say. */
export function RegisterReference({ kind = null, onClose }: { kind?: string | null; onClose: () => void }) {
  const forms = useForms();
  return forms.data ? <Reference forms={forms.data} first={kind} onClose={onClose} /> : null;
}

function Reference({ forms, first, onClose }: { forms: Forms; first: string | null; onClose: () => void }) {
  const [kind, setKind] = useState(
    () => forms.references.find((one) => one.id === first) ?? forms.references[0],
  );
  const [id, setId] = useState('');
  const [model, setModel] = useState('');
  const [values, setValues] = useState<Values>({});
  const [certificate, setCertificate] = useState(() => noCertificate(kind?.table ?? false));
  const register = useChange(
    () =>
      answer(
        api.POST('/api/kit/references', {
          body: {
            ...filled(kind?.entries ?? [], values),
            id,
            model,
            kind: kind?.id ?? '',
            certificates: certificate.number ? [certificateOf(certificate, kind?.constants ?? [])] : [],
          },
        }),
      ),
    onClose,
  );
  return (
    <Form
      title="Register a reference"
      action="Register"
      problem={register.error}
      busy={register.isPending}
      onClose={onClose}
      onSubmit={() => register.mutate(undefined)}
    >
      <TextField
        select
        label="Kind"
        value={kind?.id ?? ''}
        onChange={(event) => {
          const chosen = forms.references.find((one) => one.id === event.target.value);
          setKind(chosen);
          setValues({});
          setCertificate(noCertificate(chosen?.table ?? false));
        }}
        sx={{ gridColumn: '1 / -1' }}
      >
        {forms.references.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.title}
          </MenuItem>
        ))}
      </TextField>
      <Field label="Asset number" value={id} set={setId} problem={register.error?.of('id')} required />
      <Field label="Model code" value={model} set={setModel} problem={register.error?.of('model')} required />
      <Entries
        entries={kind?.entries ?? []}
        values={values}
        put={(change) => setValues({ ...values, ...change })}
        problem={(name) => register.error?.of(name)}
      />
      <CertificateFields draft={certificate} set={setCertificate} refusal={register.error} kind={kind} />
    </Form>
  );
}
