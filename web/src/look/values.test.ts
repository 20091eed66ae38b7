import { beforeEach, describe, expect, it } from 'vitest';
import { entry } from '../tests/fixtures';
import { filled, firstMissing, inWords, isFilled, rememberedUnit, rememberUnit } from './values';

beforeEach(() => {
  const store = new Map<string, string>();
  Object.defineProperty(window, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => store.set(key, value),
    },
  });
});

describe('values of declared fields', () => {
  it('tells what was filled in from what was only touched', () => {
    expect([' ', { value: '', unit: 'kPa' }, [], false, undefined].map(isFilled)).toEqual(
      Array(5).fill(false),
    );
    expect(['0', { value: '0', unit: 'kPa' }, ['a'], true].map(isFilled)).toEqual(Array(4).fill(true));
  });

  it('sends only what was filled, trimmed, rows included', () => {
    const entries = [
      entry('a', 'text'),
      entry('b', 'decimal'),
      entry('m', 'measured', { units: ['kPa'] }),
      entry('rows', 'rows', { rows: [entry('low', 'measured'), entry('name', 'text')] }),
    ];
    expect(
      filled(entries, {
        a: ' x ',
        b: '',
        m: { value: '99,7', unit: 'kPa' },
        rows: [{ name: ' A ', low: { value: '', unit: 'L/min' } }, {}],
        other: 'kept out',
      }),
    ).toEqual({ a: 'x', m: { value: '99,7', unit: 'kPa' }, rows: [{ name: 'A' }] });
  });

  it('names the first field that must be filled', () => {
    const entries = [
      entry('a', 'text', { required: true }),
      entry('b', 'text', { required: true, label: 'B' }),
    ];
    expect(firstMissing(entries, { a: '1' })).toBe('B');
    expect(firstMissing(entries, { a: '1', b: '2' })).toBeNull();
  });

  it('remembers the unit of a field, while it may still have it', () => {
    const temperature = { name: 'temperature', units: ['°C', '°F'] };
    expect(rememberedUnit(temperature)).toBe('°C');
    rememberUnit('temperature', '°F');
    expect(rememberedUnit(temperature)).toBe('°F');
    expect(rememberedUnit({ name: 'temperature', units: ['K'] })).toBe('K');
    expect(rememberedUnit({ name: 'pressure', units: ['kPa'] })).toBe('kPa');
  });

  it('works without storage', () => {
    Object.defineProperty(window, 'localStorage', {
      configurable: true,
      get: () => {
        throw new Error('blocked');
      },
    });
    expect(rememberedUnit({ name: 'x', units: ['kPa'] })).toBe('kPa');
    expect(() => rememberUnit('x', 'kPa')).not.toThrow();
  });

  it('says values in words', () => {
    expect([{ value: '20', unit: '°C' }, true, false, ['a', 'b'], 'text', null].map(inWords)).toEqual([
      '20 °C',
      'yes',
      'no',
      'a, b',
      'text',
      '',
    ]);
  });
});
