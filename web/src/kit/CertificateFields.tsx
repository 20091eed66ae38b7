import type { Refusal, Schemas } from '../api/client';
import { Field } from './Form';

export interface CertificateDraft {
  number: string;
  laboratory: string;
  issued: string;
  due: string;
  levels: { nominal: string; certified: string; uncertainty: string; frequency: string }[];
}

export const noCertificate = (levels: boolean): CertificateDraft => ({
  number: '',
  laboratory: '',
  issued: '',
  due: '',
  levels: levels ? [{ nominal: '114', certified: '', uncertainty: '', frequency: '1000' }] : [],
});

const plain = (text: string) => text.trim().replace(',', '.');

export const certificateOf = (draft: CertificateDraft): Schemas['Certificate'] => ({
  number: draft.number,
  laboratory: draft.laboratory,
  issued: draft.issued,
  due: draft.due,
  values: draft.levels
    .filter((level) => level.nominal.trim() !== '' || level.certified.trim() !== '')
    .map((level) => ({
      nominal: plain(level.nominal),
      certified: plain(level.certified),
      ...(level.uncertainty.trim() ? { uncertainty: plain(level.uncertainty) } : {}),
      ...(level.frequency.trim() ? { frequency: plain(level.frequency) } : {}),
    })),
});

/** The fields of a certificate; for a reference with its certified levels. */
export function CertificateFields({
  draft,
  set,
  refusal,
  required = true,
}: {
  draft: CertificateDraft;
  set: (draft: CertificateDraft) => void;
  refusal: Refusal | null;
  required?: boolean;
}) {
  const level = (place: number, part: Partial<CertificateDraft['levels'][number]>) =>
    set({ ...draft, levels: draft.levels.map((one, i) => (i === place ? { ...one, ...part } : one)) });
  return (
    <>
      <Field
        label="Certificate number"
        value={draft.number}
        set={(number) => set({ ...draft, number })}
        problem={refusal?.of('number')}
        required={required}
      />
      <Field
        label="Laboratory"
        value={draft.laboratory}
        set={(laboratory) => set({ ...draft, laboratory })}
        problem={refusal?.of('laboratory')}
        required={required}
      />
      <Field
        label="Issued"
        type="date"
        value={draft.issued}
        set={(issued) => set({ ...draft, issued })}
        problem={refusal?.of('issued')}
        required={required}
      />
      <Field
        label="Due"
        type="date"
        value={draft.due}
        set={(due) => set({ ...draft, due })}
        problem={refusal?.of('due')}
        required={required}
      />
      {draft.levels.map((one, place) => (
        <div
          key={place}
          style={{ gridColumn: '1 / -1', display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 10 }}
        >
          <Field
            label="Nominal, dB"
            value={one.nominal}
            set={(nominal) => level(place, { nominal })}
            problem={refusal?.of(`values/${place}/nominal`)}
          />
          <Field
            label="Certified, dB"
            value={one.certified}
            set={(certified) => level(place, { certified })}
            problem={refusal?.of(`values/${place}/certified`)}
          />
          <Field
            label="Uncertainty, dB"
            value={one.uncertainty}
            set={(uncertainty) => level(place, { uncertainty })}
            problem={refusal?.of(`values/${place}/uncertainty`)}
          />
          <Field
            label="Frequency, Hz"
            value={one.frequency}
            set={(frequency) => level(place, { frequency })}
            problem={refusal?.of(`values/${place}/frequency`)}
          />
        </div>
      ))}
      {draft.levels.length > 0 && (
        <div>
          <button
            type="button"
            className="fn-link"
            onClick={() =>
              set({
                ...draft,
                levels: [...draft.levels, { nominal: '', certified: '', uncertainty: '', frequency: '1000' }],
              })
            }
          >
            Another level
          </button>
        </div>
      )}
    </>
  );
}
