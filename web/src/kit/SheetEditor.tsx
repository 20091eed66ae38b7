import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { answer, api, type Refusal, type Schemas } from '../api/client';
import { useChange, useModelSheet, useModelSheets, useSheetForm } from '../api/hooks';
import { Entries } from '../look/Entries';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { filled, type Row, type Values } from '../look/values';
import { Field } from './Form';
import { SheetWalk } from './SheetWalk';
import { TakeEntry } from './TakeEntry';

type Models = Schemas['ModelSheets']['models'];

/** A model sheet is written for a model that the kit has: its steps and readings are there to choose from. */
export function SheetEditor() {
  const [search] = useSearchParams();
  const from = search.get('from');
  const sheets = useModelSheets();
  const begun = useModelSheet(from);
  if (!sheets.data || (from !== null && !begun.data)) {
    return <Lacking of={[sheets, begun]} />;
  }
  return (
    <Write
      models={sheets.data.models}
      templates={sheets.data.sheets.filter((sheet) => sheet.models.length === 0)}
      begun={begun.data ?? null}
      wanted={search.get('model') ?? ''}
    />
  );
}

/** Lines of a template come behind those that are there already. */
const joined = (values: Values, more: Values): Values => {
  const all: Values = { ...more, ...values };
  for (const [name, rows] of Object.entries(more)) {
    if (Array.isArray(rows) && Array.isArray(values[name])) {
      all[name] = [...(values[name] as Row[]), ...(rows as Row[])];
    }
  }
  return all;
};

/** What a sheet says beside what it is called and which models it is of. */
const rest = (entry: Values): Values =>
  Object.fromEntries(
    Object.entries(entry).filter(
      ([field]) => !['code', 'name', 'models', 'family', 'replaces'].includes(field),
    ),
  );

function Write({
  models,
  templates,
  begun,
  wanted,
}: {
  models: Models;
  templates: Schemas['SheetLine'][];
  begun: Schemas['ModelSheet'] | null;
  wanted: string;
}) {
  const navigate = useNavigate();
  const replaces = begun !== null && begun.models.length > 0 ? begun.code : '';
  const [model, setModel] = useState(wanted || (begun?.models[0] ?? ''));
  const [also, setAlso] = useState<string[]>(begun?.models.slice(1) ?? []);
  const [code, setCode] = useState('');
  const [name, setName] = useState(replaces === '' ? '' : (begun?.name ?? ''));
  const [values, setValues] = useState<Values>(begun === null ? {} : rest(begun.entry));
  const form = useSheetForm(model);
  const asked = form.data?.entries ?? [];
  const written = () => ({
    ...filled(asked, values),
    code,
    name,
    family: form.data?.family ?? '',
    models: [model, ...also].map((one) => ({ model: one })),
    ...(replaces === '' ? {} : { replaces }),
  });
  const add = useChange(
    () =>
      answer(
        api.POST('/api/kit/library/{shelf}', {
          params: { path: { shelf: 'model-sheets' } },
          body: written(),
        }),
      ),
    () => void navigate(`/kit/sheets/${code}`),
  );
  const preview = useMutation<Schemas['SheetWalk'], Refusal>({
    mutationFn: () =>
      answer(api.POST('/api/kit/sheets/preview', { params: { query: { model } }, body: written() })),
  });
  const template = useMutation<Schemas['ModelSheet'], Refusal, string>({
    mutationFn: (chosen) =>
      answer(api.GET('/api/kit/sheets/of/{code}', { params: { path: { code: chosen } } })),
    onSuccess: (sheet) => setValues((now) => joined(now, rest(sheet.entry))),
  });
  const refusal = add.error ?? preview.error;
  const alike = models.filter((one) => one.family === form.data?.family && one.model !== model);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined);
      }}
    >
      <h1 className="fn-title" style={{ margin: '0 0 4px' }}>
        {replaces === '' ? 'Write a model sheet' : `In the place of ${replaces}`}
      </h1>
      <p style={{ color: ink.soft, margin: '0 0 14px', maxWidth: 760 }}>
        It adds to every check of its models that begins from now on; the procedure stays the frame. What a
        check asked stands in the check, so a sheet is never changed: another takes its place.
      </p>
      <div style={grid}>
        <TextField
          select
          required
          label="Model"
          value={models.some((one) => one.model === model) ? model : ''}
          onChange={(event) => {
            setModel(event.target.value);
            setAlso([]);
            preview.reset();
          }}
          helperText="One that the kit has: its steps are there to choose from"
        >
          {models.map((one) => (
            <MenuItem key={`${one.family} ${one.model}`} value={one.model}>
              {one.model} ({one.units.join(', ')})
            </MenuItem>
          ))}
        </TextField>
        <Field label="Code" value={code} set={setCode} problem={refusal?.of('code')} required />
        <Field label="Name" value={name} set={setName} problem={refusal?.of('name')} required />
        {alike.length > 0 && (
          <TextField
            select
            label="Also of"
            value={also}
            onChange={(event) => setAlso(event.target.value as unknown as string[])}
            slotProps={{ select: { multiple: true }, inputLabel: { shrink: true } }}
          >
            {alike.map((one) => (
              <MenuItem key={one.model} value={one.model}>
                {one.model}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          select
          label="Add the lines of a template"
          value=""
          onChange={(event) => template.mutate(event.target.value)}
        >
          {templates.map((one) => (
            <MenuItem key={one.code} value={one.code}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <TakeEntry
          words="A sheet that was kept as JSON fills the form."
          refusal="is no model sheet. What stands here was kept."
          take={(entry) => {
            setCode(entry.code);
            setName(entry.name);
            setValues(rest(entry.rest));
          }}
        />
      </div>
      {model === '' ? (
        <p style={{ color: ink.soft }}>Choose the model first.</p>
      ) : !form.data && form.isError ? (
        <Told problem={form.error} />
      ) : (
        <div style={grid}>
          <Entries
            entries={asked}
            values={values}
            put={(change) => setValues({ ...values, ...change })}
            problem={(field) => refusal?.of(field)}
          />
        </div>
      )}
      <Told problem={refusal ?? template.error} />
      <div className="fn-done">
        <Button
          type="submit"
          variant="contained"
          disabled={model === '' || add.isPending}
          sx={{ minHeight: 48 }}
        >
          Add the sheet
        </Button>
        <Button
          disabled={model === '' || preview.isPending}
          onClick={() => {
            add.reset();
            preview.mutate();
          }}
          sx={{ minHeight: 48 }}
        >
          How a check is walked with it
        </Button>
      </div>
      {preview.data && <SheetWalk walk={preview.data} />}
    </form>
  );
}

const grid = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))',
  gap: 16,
  marginBottom: 16,
} as const;
