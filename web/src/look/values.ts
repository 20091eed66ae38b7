import type { Schemas } from '../api/client';

export type Entry = Schemas['Entry'];
export interface Measured {
  value: string;
  unit: string;
}
export type Value = string | boolean | Measured | string[] | Row[];
export type Row = Record<string, string | Measured>;
export type Values = Record<string, unknown>;

export const isMeasured = (value: unknown): value is Measured =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && 'value' in value && 'unit' in value;

const key = (name: string) => `footnote.unit.${name}`;

/** The unit that was chosen for this field last, where it is still one of those it may have. */
export const rememberedUnit = (entry: Pick<Entry, 'name' | 'units'>): string => {
  try {
    const kept = window.localStorage.getItem(key(entry.name));
    return kept !== null && entry.units.includes(kept) ? kept : (entry.units[0] ?? '');
  } catch {
    return entry.units[0] ?? '';
  }
};

export const rememberUnit = (name: string, unit: string) => {
  try {
    window.localStorage.setItem(key(name), unit);
  } catch {
    // Without storage the unit is chosen anew each time.
  }
};

/** Whether something was written into a field. */
export const isFilled = (value: unknown): boolean => {
  if (typeof value === 'string') {
    return value.trim() !== '';
  }
  if (isMeasured(value)) {
    return value.value.trim() !== '';
  }
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) {
    return Object.values(value).some(isFilled);
  }
  return Array.isArray(value) ? value.length > 0 : value === true;
};

/** The entries that are asked with these answers: some only where another one is answered, or is one of certain values. */
export const asked = (entries: Entry[], values: Values): Entry[] =>
  entries.filter(({ only }) => {
    const answer = only && values[only.entry];
    return (
      !only ||
      (isFilled(answer) &&
        (only.values.length === 0 || (typeof answer === 'string' && only.values.includes(answer))))
    );
  });

/** The label of the first field that must be filled and is not. */
export const firstMissing = (entries: Entry[], values: Values): string | null =>
  entries.find((entry) => entry.required && !isFilled(values[entry.name]))?.label ?? null;

/** What was filled, and nothing else, as the server takes it; what was answered before may decide what is asked. */
export const filled = (entries: Entry[], values: Values, given: Values = {}): Values =>
  Object.fromEntries(
    asked(entries, { ...given, ...values })
      .filter((entry) => isFilled(values[entry.name]))
      .map((entry) => {
        const value = values[entry.name];
        if (entry.kind === 'rows' && Array.isArray(value)) {
          return [
            entry.name,
            (value as Row[])
              .map((row) => filled(entry.rows, row))
              .filter((row) => Object.keys(row).length > 0),
          ];
        }
        if (entry.kind === 'each') {
          const written = Object.entries(value as Record<string, string>).map(([name, one]) => [
            name,
            one.trim(),
          ]);
          return [entry.name, Object.fromEntries(written.filter(([, one]) => one !== ''))];
        }
        return [entry.name, typeof value === 'string' ? value.trim() : value];
      }),
  );

/** A field's value in words. */
export const inWords = (value: unknown): string =>
  isMeasured(value)
    ? `${value.value} ${value.unit}`
    : Array.isArray(value)
      ? value.map((one) => (typeof one === 'string' ? one : '')).join(', ')
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : typeof value === 'string'
          ? value
          : '';
