import type { Refusal, Schemas } from '../api/client';
import { Entries } from '../look/Entries';
import { filled, type Entry, type Values } from '../look/values';
import { Field } from './Form';

type Kind = Schemas['Forms']['references'][number];

export interface CertificateDraft {
  number: string;
  laboratory: string;
  issued: string;
  due: string;
  table: { nominal: string; certified: string; uncertainty: string; beside: Record<string, string> }[];
  constants: Values;
}

const row = () => ({ nominal: '', certified: '', uncertainty: '', beside: {} });

/** @param table whether it holds a table of values, which begins with one empty row */
export const noCertificate = (table: boolean): CertificateDraft => ({
  number: '',
  laboratory: '',
  issued: '',
  due: '',
  table: table ? [row()] : [],
  constants: {},
});

/** What is on record, to be corrected. */
export const draftOf = (certificate: Schemas['Certificate']): CertificateDraft => {
  const { number, laboratory, issued, due, values = [], ...constants } = certificate;
  return {
    number,
    laboratory,
    issued,
    due,
    table: values.map(({ nominal, certified, uncertainty = '', ...beside }) => ({
      nominal,
      certified,
      uncertainty,
      beside,
    })),
    constants,
  };
};

const plain = (text: string) => text.trim().replace(',', '.');

export const certificateOf = (draft: CertificateDraft, constants: Entry[]): Schemas['Certificate'] => ({
  ...filled(constants, draft.constants),
  number: draft.number,
  laboratory: draft.laboratory,
  issued: draft.issued,
  due: draft.due,
  values: draft.table
    .filter((one) => one.nominal.trim() !== '' || one.certified.trim() !== '')
    .map((one) => ({
      nominal: plain(one.nominal),
      certified: plain(one.certified),
      ...(one.uncertainty.trim() ? { uncertainty: plain(one.uncertainty) } : {}),
      ...Object.fromEntries(
        Object.entries(one.beside)
          .filter(([, value]) => value.trim() !== '')
          .map(([name, value]) => [name, plain(value)]),
      ),
    })),
});

/** The fields of a certificate; for a reference with what its kind lives from. */
export function CertificateFields({
  draft,
  set,
  refusal,
  kind,
  required = true,
}: {
  draft: CertificateDraft;
  set: (draft: CertificateDraft) => void;
  refusal: Refusal | null;
  kind?: Kind | undefined;
  required?: boolean;
}) {
  const change = (place: number, part: Partial<CertificateDraft['table'][number]>) =>
    set({ ...draft, table: draft.table.map((one, i) => (i === place ? { ...one, ...part } : one)) });
  const unit = kind?.valueUnit ?? '';
  const beside = kind?.beside ?? [];
  return (
    <>
      {(
        [
          ['number', 'Certificate number', 'text'],
          ['laboratory', 'Laboratory', 'text'],
          ['issued', 'Issued', 'date'],
          ['due', 'Due', 'date'],
        ] as const
      ).map(([name, label, type]) => (
        <Field
          key={name}
          label={label}
          type={type}
          value={draft[name]}
          set={(value) => set({ ...draft, [name]: value })}
          problem={refusal?.of(name)}
          required={required}
        />
      ))}
      {kind && (
        <Entries
          entries={kind.constants}
          values={draft.constants}
          put={(constants) => set({ ...draft, constants: { ...draft.constants, ...constants } })}
          problem={(name) => refusal?.of(name)}
        />
      )}
      {draft.table.map((one, place) => (
        <div
          key={place}
          style={{
            gridColumn: '1 / -1',
            display: 'grid',
            gridTemplateColumns: `repeat(${3 + beside.length}, 1fr)`,
            gap: 10,
          }}
        >
          <Field
            label={(kind?.nominal ?? 'nominal').replace(/^./, (letter) => letter.toUpperCase())}
            value={one.nominal}
            set={(nominal) => change(place, { nominal })}
            problem={refusal?.of(`values/${place}/nominal`)}
          />
          <Field
            label={`Certified, ${unit}`}
            value={one.certified}
            set={(certified) => change(place, { certified })}
            problem={refusal?.of(`values/${place}/certified`)}
          />
          <Field
            label={`Uncertainty, ${unit}`}
            value={one.uncertainty}
            set={(uncertainty) => change(place, { uncertainty })}
            problem={refusal?.of(`values/${place}/uncertainty`)}
          />
          {beside.map((entry) => (
            <Field
              key={entry.name}
              label={`${entry.label}, ${entry.units[0] ?? ''}`}
              value={one.beside[entry.name] ?? ''}
              set={(value) => change(place, { beside: { ...one.beside, [entry.name]: value } })}
              problem={refusal?.of(`values/${place}/${entry.name}`)}
            />
          ))}
        </div>
      ))}
      {draft.table.length > 0 && (
        <div>
          <button
            type="button"
            className="fn-link"
            onClick={() => set({ ...draft, table: [...draft.table, row()] })}
          >
            Another row
          </button>
        </div>
      )}
    </>
  );
}
