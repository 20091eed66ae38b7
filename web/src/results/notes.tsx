import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import { Fragment, useState } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { minus, unconfirmed } from '../look/words';
import { Equation, OWN, type Numbers, useConfirmed } from './Typeset';

type Figure = Schemas['Figure'];

/** Numbers the notes of a page in the order in which they are first cited. */
export class NoteBook {
  private readonly numbers = new Map<string, number>();
  private readonly equations = new Map<string, number>();
  private readonly figures: Map<string, Figure>;

  constructor(figures: Figure[]) {
    this.figures = new Map(figures.map((figure) => [figure.id, figure]));
  }

  figure(id: string): Figure | undefined {
    return this.figures.get(id);
  }

  /** The note that printed this equation first; undefined where this one is the first. */
  printed(equation: string, number: number): number | undefined {
    const before = this.equations.get(equation);
    if (before === undefined) {
      this.equations.set(equation, number);
      return undefined;
    }
    return before === number ? undefined : before;
  }

  /** The note's number, and whether it is cited for the first time. */
  cite(id: string): { number: number; first: boolean } {
    const known = this.numbers.get(id);
    if (known !== undefined) {
      return { number: known, first: false };
    }
    this.numbers.set(id, this.numbers.size + 1);
    return { number: this.numbers.size, first: true };
  }
}

export type Cite = (id: string) => React.ReactNode;

/** One line of the page with the notes that it cites first beside it. */
export function line(
  book: NoteBook,
  opened: string | null,
  open: (id: string | null) => void,
  build: (cite: Cite) => React.ReactNode,
  extra?: React.ReactNode | ((cite: Cite) => React.ReactNode),
) {
  const cited: { id: string; number: number }[] = [];
  const cite: Cite = (id) => {
    const { number, first } = book.cite(id);
    if (first) {
      cited.push({ id, number });
    }
    return (
      <button
        type="button"
        className="fn-mark"
        aria-label={`note ${number}`}
        aria-controls={`note-${id}`}
        onClick={() => open(opened === id ? null : id)}
      >
        {number}
      </button>
    );
  };
  const body = build(cite);
  const beside = typeof extra === 'function' ? extra(cite) : extra;
  return (
    <div className="fn-line">
      <div>{body}</div>
      <div className="fn-notes">
        {cited.map(({ id, number }) => {
          const figure = book.figure(id);
          return figure ? (
            <Note
              key={id}
              book={book}
              figure={figure}
              number={number}
              opened={opened === id}
              toggle={() => open(opened === id ? null : id)}
            />
          ) : null;
        })}
        {beside}
      </div>
    </div>
  );
}

function Note({
  book,
  figure,
  number,
  opened,
  toggle,
}: {
  book: NoteBook;
  figure: Figure;
  number: number;
  opened: boolean;
  toggle: () => void;
}) {
  const deep = figure.inputs.length > 0;
  return (
    <div className="fn-note" id={`note-${figure.id}`}>
      <span className="fn-number">{number}</span>
      <Said
        figure={figure}
        printed={figure.equation ? book.printed(figure.equation.id, number) : undefined}
      />
      {deep && (
        <button
          type="button"
          className="fn-link fn-noprint"
          style={{ marginLeft: 6, fontSize: '0.95em' }}
          aria-expanded={opened}
          onClick={toggle}
        >
          how do you know?
        </button>
      )}
      {deep && (
        // Beside the page, which stays where it is.
        <Drawer anchor="right" open={opened} onClose={toggle} slotProps={{ backdrop: { invisible: true } }}>
          <div className="fn-sheet" role="region" aria-label={`what note ${number} rests on`} tabIndex={0}>
            <Button size="small" onClick={toggle} style={{ float: 'right' }}>
              Close
            </Button>
            <h2 style={{ margin: '0 0 6px' }}>Note {number}</h2>
            <p style={{ margin: '0 0 4px' }}>
              <Value of={figure} />, {figure.meaning}.
            </p>
            <Derivation book={book} figure={figure} />
          </div>
        </Drawer>
      )}
    </div>
  );
}

/** What a figure is worked out with: the equation, its numbers put in, and each of them with its own. */
function Derivation({ book, figure }: { book: NoteBook; figure: Figure }) {
  const { rows, columns, alone } = inRows(figure);
  return (
    <>
      {figure.equation && (
        <>
          <p className="fn-worked" tabIndex={0}>
            {figure.equation.id}:{' '}
            <Equation id={figure.equation.id} written={figure.equation.expression} large />
          </p>
          <p className="fn-worked" tabIndex={0}>
            <Equation
              id={figure.equation.id}
              written={figure.equation.expression}
              numbers={numbersOf(book, figure)}
              large
            />
          </p>
          <p style={{ margin: '0 0 6px', fontSize: '0.86rem' }}>
            <Source source={figure.equation.source} mark={figure.equation.mark} />.
          </p>
        </>
      )}
      {figure.origin && (
        <p style={{ margin: '0 0 6px' }}>
          <Origin note={figure.origin.note} />
        </p>
      )}
      {rows.length > 0 && <Rows book={book} rows={rows} columns={columns} />}
      <ul className="fn-tree">
        {alone.map((id) => {
          const input = book.figure(id);
          return input ? (
            <li key={id}>
              {input.inputs.length === 0 ? (
                <Said figure={input} />
              ) : (
                <details>
                  <summary>
                    <Value of={input} />, {input.meaning}
                  </summary>
                  <Derivation book={book} figure={input} />
                </details>
              )}
            </li>
          ) : null;
        })}
      </ul>
    </>
  );
}

/** From so many on, what goes through an equation again and again is a table. */
const ROWS = 3;

/** What of a figure goes through its equation again and again, by its number, and what goes in once. */
export function inRows(figure: Figure): { rows: Map<string, string>[]; columns: string[]; alone: string[] } {
  const rows = new Map<string, Map<string, string>>();
  const columns = new Set<string>();
  const alone = new Set<string>();
  figure.inputs.forEach((id, place) => {
    const [, symbol, index] = /^(.+_[ij])([₀-₉]+)$/.exec(figure.as?.[place] ?? '') ?? [];
    if (symbol === undefined || index === undefined) {
      alone.add(id);
      return;
    }
    columns.add(symbol);
    rows.set(index, (rows.get(index) ?? new Map<string, string>()).set(symbol, id));
  });
  return rows.size < ROWS
    ? { rows: [], columns: [], alone: [...new Set(figure.inputs)] }
    : { rows: [...rows.values()], columns: [...columns], alone: [...alone] };
}

/** What goes through an equation again and again, a line each; each number opens what it rests on. */
function Rows({ book, rows, columns }: { book: NoteBook; rows: Map<string, string>[]; columns: string[] }) {
  const [opened, setOpened] = useState<string | null>(null);
  const shown = opened === null ? undefined : book.figure(opened);
  return (
    <>
      <table className="fn-table" style={{ margin: '4px 0' }}>
        <caption style={{ textAlign: 'left', fontSize: '0.86rem', color: ink.soft }}>
          {rows.length} rows go through it
        </caption>
        <thead>
          <tr>
            <th />
            {columns.map((column) => (
              <th key={column} className="num">
                <Symbol text={column} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, place) => (
            <tr key={place}>
              <td style={{ fontSize: '0.86rem', color: ink.soft }}>
                {book.figure(row.get(columns[0] ?? '') ?? '')?.meaning}
              </td>
              {columns.map((column) => {
                const figure = book.figure(row.get(column) ?? '');
                return (
                  <td key={column} className="num">
                    {figure && (
                      <button
                        type="button"
                        className="fn-link fn-figure"
                        aria-expanded={opened === figure.id}
                        onClick={() => setOpened(opened === figure.id ? null : figure.id)}
                      >
                        {minus(figure.shown)} {figure.unit}
                      </button>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {shown && (
        <div className="fn-tree" style={{ marginBottom: 6 }}>
          <p style={{ margin: '0 0 4px' }}>
            <Value of={shown} />, {shown.meaning}.
          </p>
          <Derivation book={book} figure={shown} />
        </div>
      )}
    </>
  );
}

/** The numbers of a figure by the symbols of its equation; a column of a log keeps its symbol. */
export function numbersOf(book: NoteBook, figure: Figure): Numbers {
  const numbers = new Map<string, string[]>([[OWN, [minus(figure.shown)]]]);
  figure.inputs.forEach((id, place) => {
    const input = book.figure(id);
    const slot = figure.as?.[place] ?? '';
    const symbol = slot.replace(/(_[ij])[₀-₉]+$/, '$1');
    if (input && !(symbol === slot && /_[ij]$/.test(slot))) {
      numbers.set(symbol, [...(symbol === slot ? [] : (numbers.get(symbol) ?? [])), minus(input.shown)]);
    }
  });
  return numbers;
}

/** A figure in a sentence: what it is, and the equation or the evidence under it. */
function Said({ figure, printed }: { figure: Figure; printed?: number | undefined }) {
  return (
    <>
      <Value of={figure} />, {figure.meaning}.{' '}
      {figure.equation && printed !== undefined ? (
        <>
          {figure.equation.id}, as in note {printed}.
        </>
      ) : figure.equation ? (
        <>
          {figure.equation.id}: <Equation id={figure.equation.id} written={figure.equation.expression} />.{' '}
          <Source source={figure.equation.source} mark={figure.equation.mark} />.
        </>
      ) : (
        <Origin note={figure.origin?.note ?? ''} />
      )}
    </>
  );
}

/** "L_Aeq = 84.8 dB(A)" */
export function Value({ of }: { of: Pick<Figure, 'symbol' | 'shown' | 'unit'> }) {
  return (
    <>
      <Symbol text={of.symbol} /> = <b className="fn-figure">{minus(of.shown)}</b>
      {of.unit && ` ${of.unit}`}
    </>
  );
}

/** "L_Aeq" with its index below the line. */
export function Symbol({ text }: { text: string }) {
  const [letter = '', index] = text.split('_');
  return (
    <i className="fn-figure">
      {letter}
      {index && <sub style={{ fontSize: '0.75em' }}>{index}</sub>}
    </i>
  );
}

export const Named = ({ title }: { title: string }) => {
  const parts = title.split(/([LT]_[A-Za-z0-9,]*[A-Za-z0-9])/);
  return (
    <>
      {parts.map((part, i) => (
        <Fragment key={i}>{i % 2 === 1 ? <Symbol text={part} /> : part}</Fragment>
      ))}
    </>
  );
};

/** Where a figure was read; "…, from memory" tells its source and mark. */
function Origin({ note }: { note: string }) {
  const confirmed = useConfirmed();
  const [, source] = /^(.*), from memory$/.exec(note) ?? [];
  return source ? `${source}, ${confirmed(source, 'from memory')}.` : `${unconfirmed(note)}.`;
}

/** A source with its mark, said once where both are the same. */
export function Source({ source, mark }: { source: string; mark: string }) {
  const confirmed = useConfirmed();
  const plain = source.replace(/\.$/, '');
  return plain === mark ? plain : `${unconfirmed(plain)} (${confirmed(plain, mark)})`;
}
