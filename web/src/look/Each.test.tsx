import { fireEvent, render, screen } from '@testing-library/react';
import { useEffect, useState } from 'react';
import { expect, it, vi } from 'vitest';
import { entry } from '../tests/fixtures';
import { Entries } from './Entries';
import { asked, filled, isFilled, type Values } from './values';

const bands = entry('bands', 'each', {
  label: 'Octave bands',
  units: ['dB'],
  help: 'Where there is no log',
  choices: ['63', '125', '250', '500'].map((value) => ({ value, words: `${value} Hz` })),
});

const seen = vi.fn<(values: Values) => void>();

function Host({ problem }: { problem?: (name: string) => string | undefined }) {
  const [values, setValues] = useState<Values>({});
  useEffect(() => seen(values), [values]);
  return (
    <Entries
      entries={[bands]}
      values={values}
      put={(change) => setValues({ ...values, ...change })}
      problem={problem}
    />
  );
}

const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const paste = (into: string, text: string) =>
  fireEvent.paste(field(into), { clipboardData: { getData: () => text } });

it('takes a number for each name and sends those that were written', () => {
  render(<Host />);
  expect(screen.getByRole('group', { name: 'Octave bands, dB' }).textContent).toContain(
    'Where there is no log',
  );
  fireEvent.change(field('63 Hz'), { target: { value: ' 50,1 ' } });
  fireEvent.change(field('500 Hz'), { target: { value: '' } });
  expect(filled([bands], seen.mock.lastCall?.[0] ?? {})).toEqual({ bands: { '63': '50,1' } });
  expect(isFilled({ '63': ' ' })).toBe(false);
});

it('spreads a copied row from where it is pasted, and no further than there are names', () => {
  render(<Host />);
  paste('125 Hz', '46\t43\t41,6\t34\t26');
  expect(['63 Hz', '125 Hz', '250 Hz', '500 Hz'].map((name) => field(name).value)).toEqual([
    '',
    '46',
    '43',
    '41,6',
  ]);
  paste('63 Hz', '50');
  expect(field('63 Hz').value).toBe('');
  paste('63 Hz', '50;47\n44');
  expect(['63 Hz', '125 Hz', '250 Hz', '500 Hz'].map((name) => field(name).value)).toEqual([
    '50',
    '47',
    '44',
    '41,6',
  ]);
});

it('says what is wrong with one of them, or with all', () => {
  const { unmount } = render(<Host problem={(name) => ({ 'bands/250': 'is no number.' })[name]} />);
  expect(screen.getByText('is no number.')).toBeTruthy();
  expect(screen.getByText('Where there is no log')).toBeTruthy();
  unmount();
  render(<Host problem={(name) => ({ bands: 'must be an object.' })[name]} />);
  expect(screen.getByText('must be an object.')).toBeTruthy();
  expect(screen.queryByText('Where there is no log')).toBeNull();
});

it('asks by what was answered, now or before', () => {
  const entries = [
    entry('measures', 'choice'),
    entry('minutes', 'decimal', { only: { entry: 'measures', values: ['task'] } }),
    entry('delay', 'decimal', { only: { entry: 'setUp', values: [] } }),
  ];
  const names = (values: Values) => asked(entries, values).map((one) => one.name);
  expect(names({})).toEqual(['measures']);
  expect(names({ measures: 'task' })).toEqual(['measures', 'minutes']);
  expect(names({ measures: 'room', setUp: 'day' })).toEqual(['measures', 'delay']);
  // What was written and is not asked any more is not sent.
  expect(filled(entries, { measures: 'room', minutes: '60' })).toEqual({ measures: 'room' });
  expect(filled(entries, { minutes: '60' }, { measures: 'task' })).toEqual({ minutes: '60' });
});
