import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { minus } from '../look/words';

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
  extra?: React.ReactNode,
) {
  const cited: { id: string; number: number }[] = [];
  const body = build((id) => {
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
  });
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
        {extra}
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
          {opened ? 'fold' : 'how do you know?'}
        </button>
      )}
      {opened && (
        // It scrolls within itself: a deep tree never pushes the page away from the number it is about.
        <div className="fn-deep" role="region" aria-label={`what note ${number} rests on`} tabIndex={0}>
          <Tree book={book} figure={figure} depth={0} known={new Set([figure.equation?.id ?? ''])} />
        </div>
      )}
    </div>
  );
}

/** A figure in a sentence: what it is, and the equation or the evidence under it. */
function Said({
  figure,
  printed,
  brief = false,
}: {
  figure: Figure;
  printed?: number | undefined;
  brief?: boolean;
}) {
  return (
    <>
      <Symbol text={figure.symbol} /> = <b className="fn-figure">{minus(figure.shown)}</b> {figure.unit},{' '}
      {figure.meaning}.{' '}
      {figure.equation && brief ? (
        <>By {figure.equation.id}.</>
      ) : figure.equation && printed !== undefined ? (
        <>
          {figure.equation.id}, as in note {printed}.
        </>
      ) : figure.equation ? (
        <>
          {figure.equation.id}:{' '}
          <span className="fn-figure" style={{ whiteSpace: 'normal' }}>
            {figure.equation.expression}
          </span>
          . <Source source={figure.equation.source} mark={figure.equation.mark} />.
        </>
      ) : (
        <>{figure.origin?.note}.</>
      )}
    </>
  );
}

/** What a figure was worked out from, down to the readings; an equation is printed in full where it first appears. */
function Tree({
  book,
  figure,
  depth,
  known,
}: {
  book: NoteBook;
  figure: Figure;
  depth: number;
  known: Set<string>;
}) {
  return (
    <ul className="fn-tree">
      {figure.inputs.map((id, place) => {
        const input = book.figure(id);
        if (!input) {
          return null;
        }
        const before = figure.inputs.slice(0, place).map((one) => book.figure(one)?.equation?.id);
        const equation = input.equation?.id ?? '';
        const brief = known.has(equation) || before.includes(equation);
        return (
          <li key={id}>
            <Said figure={input} brief={brief} />
            {depth < 8 && input.inputs.length > 0 && (
              <Tree book={book} figure={input} depth={depth + 1} known={new Set([...known, equation])} />
            )}
          </li>
        );
      })}
    </ul>
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

/** A source with its mark, said once where both are the same. */
export function Source({ source, mark }: { source: string; mark: string }) {
  const plain = source.replace(/\.$/, '');
  return plain === mark ? plain : `${plain} (${mark})`;
}
