import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { inRows, line, NoteBook, numbersOf } from './notes';
import { drawn, parsed } from './Typeset';

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

it('opens a note beside the page, down to its readings', () => {
  const equation: Schemas['Figure']['equation'] = {
    id: 'N-2a',
    expression: 'ε = mean(L_i) − L_exp',
    source: 'ISO 1',
    mark: 'from memory',
  };
  const figures = [
    figure('reading'),
    figure('offset', { equation, inputs: ['reading'], as: ['L_i₁'], origin: null }),
    figure('drift', { equation, inputs: ['offset'], as: ['L_i₁'], origin: null }),
  ];
  const draw = (opened: string | null) =>
    line(
      new NoteBook(figures),
      opened,
      () => undefined,
      (cite) => <p>drift{cite('drift')}</p>,
    );
  const { rerender } = render(draw(null));
  expect(screen.queryByText(/read at reading/)).toBeNull();
  expect(screen.getByText(/ISO 1 \(to be confirmed\)/)).toBeTruthy();
  rerender(draw('drift'));
  expect(screen.getByRole('heading', { name: 'Note 1' })).toBeTruthy();
  expect(screen.getByText(/read at reading/)).toBeTruthy();
});

it('puts the numbers in: a row member by member, a column of a log as itself', () => {
  const book = new NoteBook([
    figure('a', { shown: '94.2' }),
    figure('b', { shown: '-0.5' }),
    figure('n', { shown: '28800' }),
    figure('x', {
      symbol: 'ε',
      shown: '0.2',
      inputs: ['a', 'b', 'n', 'b'],
      as: ['L_i₁', 'L_i₂', 'N_i', 'o'],
    }),
  ]);
  const x = book.figure('x');
  const numbers = x && numbersOf(book, x);
  expect([...(numbers ?? [])]).toEqual([
    ['', ['0.2']],
    ['L_i', ['94.2', '−0.5']],
    ['o', ['−0.5']],
  ]);
  const math = parsed(
    '<mrow><mrow data-slot="ε"><mi>ε</mi></mrow><mo>=</mo><mrow data-series=""><mo>∑</mo>' +
      '<mrow data-slot="L_i"><msub><mi>L</mi><mi>i</mi></msub></mrow></mrow><mo>−</mo>' +
      '<mrow data-slot="N_i"><mi>N</mi></mrow></mrow>',
  );
  const { container } = render(<span>{drawn(math, numbers, null)}</span>);
  expect(container.textContent).toBe('0.2=94.2+−0.5−N');
});

it('keeps a sign from running into an operator', () => {
  const math = parsed(
    '<math><mi data-slot="d">d</mi><mo>=</mo><mrow><mi data-slot="post">a</mi><mo>−</mo><mi data-slot="pre">b</mi></mrow>' +
      '<mo>·</mo><msup><mi data-slot="x">x</mi><mn>2</mn></msup></math>',
  );
  const numbers = new Map([
    ['d', ['−0.40']],
    ['post', ['−0.42']],
    ['pre', ['−0.02']],
    ['x', ['-1']],
  ]);
  const { container } = render(<span>{drawn(math, numbers, null)}</span>);
  expect(container.textContent).toBe('−0.40=−0.42−(−0.02)·(-1)2');
});

it('prints an equation in full once and refers to it afterwards', () => {
  const book = new NoteBook([]);
  expect([book.printed('N-4', 3), book.printed('N-4', 3), book.printed('N-4', 7)]).toEqual([
    undefined,
    undefined,
    3,
  ]);
});

it('tells what goes through an equation again and again as a table, each number with its own note', () => {
  const equation: Schemas['Figure']['equation'] = {
    id: 'N-12a',
    expression: 'L_W = 10 lg(Σ 10^((L_i + W_i)/10))',
    source: 's',
    mark: 'published',
  };
  const rows = ['₁', '₂', '₃'];
  const total = figure('total', {
    equation,
    inputs: ['L₁', 'W₁', 'L₂', 'W₂', 'L₃', 'W₃', 'once'],
    as: [...rows.flatMap((row) => [`L_i${row}`, `W_i${row}`]), 'T'],
    origin: null,
  });
  const inputs = total.inputs.map((id) => figure(id, { shown: `shown ${id}` }));
  const split = inRows(total);
  expect([split.rows.length, split.columns, split.alone]).toEqual([3, ['L_i', 'W_i'], ['once']]);
  render(
    line(
      new NoteBook([total, ...inputs]),
      'total',
      () => undefined,
      (cite) => <p>{cite('total')}</p>,
    ),
  );
  expect(screen.getByText('3 rows go through it')).toBeTruthy();
  expect(screen.queryByText(/read at W₂/)).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'shown W₂ dB(A)' }));
  expect(screen.getByText(/read at W₂/)).toBeTruthy();
  // Two members in a row are no table.
  expect(inRows({ ...total, inputs: ['L₁', 'L₂'], as: ['L_i₁', 'L_i₂'] }).alone).toEqual(['L₁', 'L₂']);
});
