import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { entry as declared, step as named } from '../tests/fixtures';
import { lacks, rowsOf, toSet } from './answers';

const entry = (name: string, label: string, required = false) =>
  declared(name, 'decimal', { label, required });
const step = (kind: Schemas['Step']['kind'], more: Partial<Schemas['Step']> = {}) => named(kind, kind, more);

const references = [
  { id: 'FP-01', model: '', about: '', settings: [], problems: [] },
  { id: 'VT-01', model: '', about: '', settings: [{ value: 'A', words: 'throat A' }], problems: [] },
];

describe('what a step still wants', () => {
  it('wants a reference, and its setting where it has several', () => {
    const at = step('reference');
    expect(lacks(at, {}, references)).toBe('Choose a reference.');
    expect(lacks(at, { reference: 'gone' }, references)).toBe('Choose a reference.');
    expect(lacks(at, { reference: 'FP-01' }, references)).toBeNull();
    expect(lacks(at, { reference: 'VT-01' }, references)).toBe('Choose its setting.');
    expect(lacks(at, { reference: 'VT-01', setting: 'A' }, references)).toBeNull();
  });

  it('wants one reading, or what tells the change beside it', () => {
    const plain = step('readings', {
      into: 'asFound',
      columns: [entry('volume', 'Volume'), entry('seconds', 'Time')],
    });
    expect(lacks(plain, { asFound: [{ seconds: '3' }] }, [])).toBe('Write the reading.');
    expect(lacks(plain, { asFound: [{ volume: '500' }] }, [])).toBeNull();
    const factors = { ...plain, fields: [entry('before', 'Factor before'), entry('after', 'Factor after')] };
    expect(lacks(factors, {}, [])).toBe('Write the reading, or factor before and factor after.');
    expect(lacks(factors, { before: '1.2' }, [])).toBeNull();
  });

  it('wants required fields, and at least something of a step that asks', () => {
    const leak = step('entries', { fields: [entry('start', 'Vacuum'), entry('end', 'At the end')] });
    expect(lacks(leak, {}, [])).toBe('Write what was seen.');
    expect(lacks(leak, { end: '3' }, [])).toBeNull();
    const medium = step('entries', {
      fields: [entry('medium', 'The medium is', true), entry('more', 'More')],
    });
    expect(lacks(medium, { more: '1' }, [])).toBe('Still wanted: The medium is.');
  });

  it('wants to know whether it was adjusted, and nothing of a step that only confirms', () => {
    expect(lacks(step('adjust'), {}, [])).toBe('Say whether it was adjusted.');
    expect(lacks(step('adjust'), { adjusted: false }, [])).toBeNull();
    expect(lacks(step('confirm'), {}, [])).toBeNull();
  });

  it('reads rows only where there are rows', () => {
    expect(rowsOf({ asFound: [{ value: '1' }] }, 'asFound')).toEqual([{ value: '1' }]);
    expect(rowsOf({}, 'points')).toEqual([]);
  });
});

it('says what is set before the next reading, where each has a setting of its own', () => {
  const tones = [
    { value: '114 @ 250', words: '114 dB 250 Hz' },
    { value: '94', words: '94 dB' },
  ];
  const at = step('readings', {
    into: 'further',
    eachSet: true,
    presets: [{ tone: '114 @ 250' }, { tone: '94' }],
    columns: [declared('tone', 'choice', { choices: tones }), entry('value', 'Reading')],
  });
  expect(toSet(at, {})).toBe('114 dB 250 Hz');
  const read = { tone: '114 @ 250', value: '114.0' };
  expect(toSet(at, { further: [read, { tone: '94' }] })).toBe('94 dB');
  expect(toSet(at, { further: [read, { tone: '94', value: '93.9' }] })).toBeNull();
  const points = step('readings', { into: 'points', eachSet: true, columns: [entry('value', 'Reading')] });
  expect(toSet(points, { points: [{ value: '1.7' }] })).toBe('reading 2');
  expect(toSet({ ...points, eachSet: false }, {})).toBeNull();
});
