import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { line, NoteBook } from './notes';

const figure = (id: string, more: Partial<Schemas['Figure']> = {}): Schemas['Figure'] => ({
  id,
  symbol: 'L_Aeq',
  meaning: `figure ${id}`,
  value: '84.96',
  floor: null,
  shown: '84.96',
  unit: 'dB(A)',
  equation: null,
  inputs: [],
  origin: { kind: 'check', id: 'k1', note: `read at ${id}` },
  ...more,
});

it('numbers notes in the order of their first citation and prints each once', () => {
  const book = new NoteBook([figure('a'), figure('b')]);
  expect([book.cite('b'), book.cite('a'), book.cite('b')]).toEqual([
    { number: 1, first: true },
    { number: 2, first: true },
    { number: 1, first: false },
  ]);
});

it('opens a note down to its readings', () => {
  const equation: Schemas['Figure']['equation'] = {
    id: 'N-2',
    expression: 'ε = L_ind − L_exp',
    source: 'common practice',
    mark: 'common practice',
  };
  const book = new NoteBook([
    figure('reading'),
    figure('offset', { equation, inputs: ['reading'], origin: null }),
    figure('drift', { equation, inputs: ['offset'], origin: null }),
  ]);
  const draw = (opened: string | null) =>
    line(
      new NoteBook(['reading', 'offset', 'drift'].map((id) => book.figure(id) ?? figure(id))),
      opened,
      () => undefined,
      (cite) => <p>drift{cite('drift')}</p>,
    );
  const { rerender } = render(draw(null));
  expect(screen.queryByText(/read at reading/)).toBeNull();
  rerender(draw('drift'));
  expect(screen.getByText(/read at reading/)).toBeTruthy();
});

it('prints an equation in full once and refers to it afterwards', () => {
  const book = new NoteBook([]);
  expect([book.printed('N-4', 3), book.printed('N-4', 3), book.printed('N-4', 7)]).toEqual([
    undefined,
    undefined,
    3,
  ]);
});
