import { fireEvent, render, screen, within } from '@testing-library/react';
import { useEffect, useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Entries } from './Entries';
import { entry } from '../tests/fixtures';
import type { Entry, Values } from './values';

vi.mock('../api/hooks', () => ({
  useKit: () => ({
    data: {
      references: [
        { id: 'TH-01', kind: 'thermometer', model: 'Bulb 2' },
        { id: 'BA-01', kind: 'barometer', model: 'Aneroid' },
      ],
      instruments: [{ id: 'PM-01', family: 'air-sampler', model: 'Bellows' }],
    },
  }),
  useLibrary: () => ({
    data: { shelves: [{ id: 'samplers', items: [{ code: 'INH-A', name: 'Inhalable head' }] }] },
  }),
}));

const seen = vi.fn<(values: Values) => void>();

function Host({ entries, problem }: { entries: Entry[]; problem?: (name: string) => string | undefined }) {
  const [values, setValues] = useState<Values>({});
  useEffect(() => seen(values), [values]);
  return (
    <Entries
      entries={entries}
      values={values}
      put={(change) => setValues({ ...values, ...change })}
      problem={problem}
    />
  );
}

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
const choose = (label: RegExp, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(within(screen.getByRole('listbox')).getByText(option));
};

describe('fields as the server declares them', () => {
  it('keeps a number and its unit together, and the unit for the next time', () => {
    render(<Host entries={[entry('pressure', 'measured', { label: 'Pressure', units: ['kPa', 'mmHg'] })]} />);
    fireEvent.change(screen.getByLabelText('Pressure'), { target: { value: '748' } });
    choose(/Pressure, unit/, 'mmHg');
    expect(seen.mock.lastCall?.[0]).toEqual({ pressure: { value: '748', unit: 'mmHg' } });
    expect(window.localStorage.getItem('footnote.unit.pressure')).toBe('mmHg');
  });

  it('names what was wrong beside the field, also of a value with a unit', () => {
    const said: Record<string, string> = { a: 'is missing.', 'p/value': 'is no absolute pressure.' };
    render(
      <Host
        entries={[entry('a', 'text', { help: 'as it stands' }), entry('p', 'measured', { units: ['kPa'] })]}
        problem={(name) => said[name]}
      />,
    );
    expect(screen.getByText('is missing.')).toBeTruthy();
    expect(screen.getByText('is no absolute pressure.')).toBeTruthy();
    expect(screen.queryByText('as it stands')).toBeNull();
  });

  it('offers references of the kind, entries of the shelf and units of the family', () => {
    render(
      <Host
        entries={[
          entry('t', 'named', { label: 'Thermometer', of: 'reference:thermometer' }),
          entry('s', 'named', { label: 'Sampler', of: 'library:samplers' }),
          entry('u', 'named', { label: 'Pump', of: 'family:air-sampler' }),
        ]}
      />,
    );
    choose(/Thermometer/, 'TH-01, Bulb 2');
    choose(/Sampler/, 'Inhalable head (INH-A)');
    choose(/Pump/, 'PM-01, Bellows');
    expect(seen.mock.lastCall?.[0]).toEqual({ t: 'TH-01', s: 'INH-A', u: 'PM-01' });
  });

  it('takes choices, several of them, flags and tables', () => {
    const words = [
      { value: 'a', words: 'first' },
      { value: 'b', words: 'second' },
    ];
    render(
      <Host
        entries={[
          entry('one', 'choice', { label: 'One', choices: words }),
          entry('some', 'several', { label: 'Some', choices: words }),
          entry('flag', 'flag', { label: 'Flag' }),
          entry('throats', 'rows', { label: 'Throats', rows: [entry('name', 'text', { label: 'Throat' })] }),
        ]}
      />,
    );
    choose(/One/, 'second');
    fireEvent.click(screen.getByRole('checkbox', { name: 'first' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'second' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'first' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Flag' }));
    fireEvent.change(screen.getByLabelText('Throat'), { target: { value: 'A' } });
    fireEvent.click(screen.getByRole('button', { name: 'Another' }));
    fireEvent.change(screen.getAllByLabelText('Throat')[1] as HTMLElement, { target: { value: 'B' } });
    expect(seen.mock.lastCall?.[0]).toEqual({
      one: 'b',
      some: ['b'],
      flag: true,
      throats: [{ name: 'A' }, { name: 'B' }],
    });
  });

  it('says beside a table what is wrong with it, and what a flag means', () => {
    render(
      <Entries
        entries={[
          entry('sizes', 'rows', { label: 'Sizes', rows: [entry('size', 'decimal', { label: 'From' })] }),
          entry('up', 'flag', { label: 'From a size up', help: 'Else between two sizes' }),
        ]}
        values={{}}
        put={() => undefined}
        problem={(name) => ({ sizes: 'name at least one size.', 'sizes/0/size': 'is no number.' })[name]}
      />,
    );
    const table = screen.getByRole('group', { name: 'Sizes' });
    expect(table.textContent).toContain('name at least one size.');
    expect(table.textContent).toContain('is no number.');
    expect(screen.getByText('Else between two sizes')).toBeTruthy();
  });
});
