export interface View {
  from: number;
  to: number;
}

export type Band = ({ low: number; high: number } | null)[];

/** Lowest and highest of what falls on each column of the picture; null where nothing does. */
export function band(values: readonly (number | null)[], view: View, columns: number): Band {
  const out: Band = Array.from({ length: columns }, () => null);
  const span = view.to - view.from;
  if (span <= 0) {
    return out;
  }
  const last = Math.min(values.length, Math.ceil(view.to));
  for (let i = Math.max(0, Math.floor(view.from)); i < last; i++) {
    const value = values[i];
    if (value === null || value === undefined) {
      continue;
    }
    const column = Math.min(columns - 1, Math.max(0, Math.floor(((i - view.from) / span) * columns)));
    const held = out[column];
    out[column] = held
      ? { low: Math.min(held.low, value), high: Math.max(held.high, value) }
      : { low: value, high: value };
  }
  return out;
}

/** A view that stays inside the log and shows at least ten intervals. */
export function within(view: View, length: number): View {
  const span = Math.min(length, Math.max(10, view.to - view.from));
  const from = Math.min(Math.max(0, (view.from + view.to - span) / 2), length - span);
  return { from, to: from + span };
}
