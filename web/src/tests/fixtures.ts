import type { Schemas } from '../api/client';
import type { Entry } from '../look/values';

/** For tests: a declared field that asks for nothing in particular. */
export const entry = (name: string, kind: Entry['kind'], more: Partial<Entry> = {}): Entry => ({
  name,
  kind,
  label: name,
  required: false,
  help: '',
  units: [],
  choices: [],
  rows: [],
  of: '',
  asked: 'start',
  ...more,
});

/** For tests: a step of a procedure without fields. */
export const step = (
  id: string,
  kind: Schemas['Step']['kind'],
  more: Partial<Schemas['Step']> = {},
): Schemas['Step'] => ({
  id,
  kind,
  title: id,
  instruction: `do ${id}`,
  why: `why ${id}`,
  caution: null,
  required: true,
  seconds: null,
  when: null,
  into: '',
  rows: 1,
  clocked: false,
  fields: [],
  columns: [],
  presets: [],
  feeds: [],
  eachSet: false,
  isOwn: false,
  press: [],
  reasons: [],
  ...more,
});
