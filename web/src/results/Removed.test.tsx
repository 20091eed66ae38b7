import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { result } from '../tests/pages';
import { removed } from './Removed';

afterEach(cleanup);

const altered = (more: Partial<Schemas['Altered']> = {}): Schemas['Altered'] => ({
  kind: 'by rule',
  from: '2026-11-24T12:00:00+00:00',
  to: '2026-11-24T12:01:00+00:00',
  what: 'a tone of 114.0 dB for 60 s',
  why: 'it is on no record',
  by: 'noise.tone-removed',
  taken: true,
  otherwise: { figure: 'f9', shown: '96.2' },
  ...more,
});

const List = ({ results }: { results: Schemas['Result'][] }) => {
  const [all, setAll] = useState(false);
  return removed({ results, cite: (figure) => <sup>{figure}</sup>, all, setAll });
};

describe('what was removed, filled in or assumed', () => {
  it('is nothing where nothing was', () => {
    const { container } = render(<List results={[result('laeq', '85.0', 'f1')]} />);
    expect(container.textContent).toBe('');
  });

  it('says what, why and by which rule, with both numbers and the footnote under the other', () => {
    render(<List results={[result('laeq', '85.0', 'f1', { altered: [altered()] })]} />);
    const text = screen.getByRole('region', { name: 'Removed, filled in, assumed' }).textContent;
    expect(text).toContain('taken out by rule: a tone of 114.0 dB for 60 s; it is on no record');
    expect(text).toContain('(rule noise.tone-removed)');
    expect(text).toContain('85.0 dB; with it 96.2 dBf9');
  });

  it('names the person who left it out, and turns the words where it stays in', () => {
    render(
      <List
        results={[
          result('laeq', '85.0', 'f1', {
            altered: [
              altered({ kind: 'by a person', by: 'H-1', what: 'the drawer' }),
              altered({ kind: 'left in', by: 'H-2', what: 'the press', taken: false }),
              altered({ kind: 'offered', what: 'the saw', taken: false }),
            ],
          }),
        ]}
      />,
    );
    const text = screen.getByRole('region').textContent;
    expect(text).toContain('left out: the drawer; it is on no record (H-1).');
    expect(text).toContain('stays in: the press; it is on no record (H-2).');
    expect(text).toContain('without it 96.2 dB');
    expect(text).toContain('stays in: the saw; it is on no record (rule noise.tone-removed).');
  });

  it('stands once for all the results it touches, each with its own number', () => {
    const one = (key: string, shown: string, other: string | null) =>
      result(key, shown, key, {
        altered: [altered({ otherwise: other === null ? null : { figure: key + 'o', shown: other } })],
      });
    render(
      <List
        results={[one('laeq', '85.0', '96.2'), one('dose', '60', '61'), one('peak', '130.1', '130.1')]}
      />,
    );
    expect(screen.getAllByText(/taken out by rule/)).toHaveLength(1);
    const text = screen.getByRole('region').textContent;
    expect(text).toContain('title of laeq 85.0 dB; with it 96.2');
    expect(text).toContain('title of dose 60 dB; with it 61');
    expect(text).not.toContain('title of peak');
  });

  it('says so where no number changes, and shows a few of many until all are asked for', () => {
    const { rerender } = render(
      <List
        results={[
          result('laeq', '85.0', 'f1', { altered: [altered({ otherwise: { figure: 'f', shown: '85.0' } })] }),
        ]}
      />,
    );
    expect(screen.getByText('No number that is shown changes by it.')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
    rerender(
      <List
        results={[1, 2, 3, 4, 5, 6].map((n) => result(`r${n}`, `${n}.0`, `f${n}`, { altered: [altered()] }))}
      />,
    );
    expect(screen.getByRole('region').textContent).not.toContain('title of r5');
    fireEvent.click(screen.getByRole('button', { name: 'All numbers' }));
    expect(screen.getByRole('region').textContent).toContain('title of r6');
    fireEvent.click(screen.getByRole('button', { name: 'Fewer numbers' }));
    expect(screen.getByRole('region').textContent).not.toContain('title of r6');
  });
});
