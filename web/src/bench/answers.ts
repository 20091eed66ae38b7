import type { Schemas } from '../api/client';
import { firstMissing, isFilled, type Row } from '../look/values';
import type { Answers } from './useDraft';

/** The rows that were typed into a list of readings. */
export const rowsOf = (answers: Answers, into: string): Row[] => {
  const list: unknown = answers[into];
  return Array.isArray(list) ? (list as Row[]) : [];
};

/** The steps that are asked with these answers: some only after another was answered so. */
export const askedSteps = (steps: Schemas['Step'][], answers: Answers): Schemas['Step'][] =>
  steps.filter((step) => step.when === null || answers[step.when] === true);

/** The answer that the clock of a step began just now. */
export const beganNow = (answers: Answers, step: string): Pick<Answers, 'waits'> => ({
  waits: { ...(answers.waits ?? {}), [step]: new Date().toISOString() },
});

/** Whether two rows of a step are of one channel, one size, one tone. */
export const areAlike = (step: Schemas['Step'], one: Row, other: Row): boolean =>
  Object.keys(step.presets[0] ?? {}).every((name) => one[name] === other[name]);

/** The column that a row of readings is for. */
const mainColumn = (step: Schemas['Step']) =>
  step.columns.find((column) => column.kind === 'decimal' || column.kind === 'measured')?.name ?? 'value';

/** How many of the readings that a step wants are still missing; those that a source gives in one go are one. */
export const readingsMissing = (step: Schemas['Step'], answers: Answers): number => {
  if (step.kind !== 'readings') {
    return step.fields.some((field) => field.required && !isFilled(answers[field.name])) ? 1 : 0;
  }
  const read = rowsOf(answers, step.into).filter(
    (row) => row.struck === undefined && isFilled(row[mainColumn(step)]),
  );
  if (step.presets.length === 0) {
    return Math.max(0, step.rows - read.length);
  }
  return step.presets.every((preset) => read.some((row) => areAlike(step, row, preset))) ? 0 : 1;
};

/** What is set before the next reading of a step whose readings are each at a setting of their own; null where none waits. */
export const toSet = (step: Schemas['Step'], answers: Answers): string | null => {
  if (!step.eachSet) {
    return null;
  }
  const rows = rowsOf(answers, step.into);
  const all: Row[] = rows.length > 0 ? rows : step.presets;
  const waits = (row: Row) => row.struck === undefined && !isFilled(row[mainColumn(step)]);
  const next = all.find(waits);
  if (!next) {
    return step.presets.length > 0 ? null : `reading ${all.length + 1}`;
  }
  const told = step.columns
    .filter((column) => column.kind === 'choice')
    .map((column) => column.choices.find((one) => one.value === next[column.name])?.words ?? '');
  return told.join(', ') || `reading ${all.indexOf(next) + 1}`;
};

/** Whether a source gives all that a step asks of a reading. */
export const isAllFed = (step: Schemas['Step']): boolean =>
  step.kind === 'readings' &&
  step.fields.length === 0 &&
  step.columns.every(
    (column) => column.kind === 'choice' || step.feeds.some((feed) => feed.column === column.name),
  );

/** Whether what a source gave is all that a step asks. */
export const isAllTaken = (step: Schemas['Step'], answers: Answers): boolean =>
  isAllFed(step) && readingsMissing(step, answers) === 0;

/** The answer in which a step of adjusting says whether it was. */
export const flagOf = (step: Schemas['Step']) => step.into || 'adjusted';

/** A check that is copied from a sheet was made before anybody typed it; null where its own time is said. */
export const lacksItsTime = (answers: Answers, at: string | undefined, begun: string): string | null =>
  answers.fromPaper === true && (at === undefined || Date.parse(at) > Date.parse(begun))
    ? 'Say when it was made: the time on the sheet, not that of typing it.'
    : null;

/** What a step still wants before one can go on; skipping is always possible. */
export function lacks(
  step: Schemas['Step'],
  answers: Answers,
  references: Schemas['Draft']['references'],
): string | null {
  switch (step.kind) {
    case 'reference': {
      const chosen = references.find((reference) => reference.id === answers.reference);
      if (!chosen) {
        return 'Choose a reference.';
      }
      return chosen.settings.length > 0 && !answers.setting ? 'Choose its setting.' : null;
    }
    case 'readings': {
      const read = rowsOf(answers, step.into).some((row) => isFilled(row[mainColumn(step)]));
      // Some units tell the change by fields beside the readings.
      return read || step.fields.some((field) => isFilled(answers[field.name]))
        ? null
        : step.fields.length > 0
          ? `Write the reading, or ${step.fields.map((field) => field.label.toLowerCase()).join(' and ')}.`
          : 'Write the reading.';
    }
    case 'adjust':
      return typeof answers[flagOf(step)] !== 'boolean' ? 'Say whether it was adjusted.' : null;
    case 'entries': {
      const missing = firstMissing(step.fields, answers);
      if (missing !== null) {
        return `Still wanted: ${missing}.`;
      }
      return step.fields.some((field) => isFilled(answers[field.name])) ? null : 'Write what was seen.';
    }
    default:
      return null;
  }
}
