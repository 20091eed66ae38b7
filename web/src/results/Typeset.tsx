import { createContext, createElement, Fragment, useContext, useMemo } from 'react';
import { useEquations, useSources } from '../api/hooks';
import { unconfirmed } from '../look/words';

/** The equations as they are typeset, by identifier. */
const Catalogue = createContext<ReadonlyMap<string, Element>>(new Map());
/** By source: how it was confirmed, in words. */
const Confirmed = createContext<ReadonlyMap<string, string>>(new Map());

/** A source that is named from memory: that it is to be confirmed, or by which edition and clause it was. */
export function useConfirmed(): (source: string, mark: string) => string {
  const confirmed = useContext(Confirmed);
  return (source, mark) => {
    const said = mark === 'from memory' ? confirmed.get(source) : undefined;
    return said ?? unconfirmed(mark);
  };
}

/** Reads the catalogue once for all notes below. */
export function Typesetting({ children }: { children: React.ReactNode }) {
  const equations = useEquations().data?.equations;
  const sources = useSources().data?.confirmed;
  const confirmed = useMemo(
    () =>
      new Map(
        (sources ?? []).map((one) => [
          one.source,
          `confirmed: ${[one.edition, one.clause, one.on].filter((part) => part !== '').join(', ')}`,
        ]),
      ),
    [sources],
  );
  const catalogue = useMemo(
    () => new Map((equations ?? []).map((one) => [one.id, parsed(one.mathml)] as const)),
    [equations],
  );
  return (
    <Confirmed.Provider value={confirmed}>
      <Catalogue.Provider value={catalogue}>{children}</Catalogue.Provider>
    </Confirmed.Provider>
  );
}

export const parsed = (mathml: string): Element =>
  new DOMParser().parseFromString(
    `<math xmlns="http://www.w3.org/1998/Math/MathML">${mathml}</math>`,
    'application/xml',
  ).documentElement;

/** What stands for each symbol of an equation: its numbers as printed, several for a row. */
export type Numbers = ReadonlyMap<string, string[]>;

/** Stands for the symbol that the equation is for, whatever the figure itself is called. */
export const OWN = '';

/** So many members of a row are printed before the rest is dotted. */
const MEMBERS = 3;
/** So many characters of an equation fit the margin. */
const NARROW = 36;
const ROW = /_([ij])$/;

/** An equation, in symbols or with the numbers put in; as it is written where the catalogue does not have it. */
export function Equation({
  id,
  written,
  numbers,
  large = false,
}: {
  id: string;
  written: string;
  numbers?: Numbers;
  large?: boolean;
}) {
  const typeset = useContext(Catalogue).get(id);
  // Beside the page there is room for short ones only; the others are written, since type does not wrap.
  const math = large || written.length <= NARROW ? typeset : undefined;
  return (
    <span className="fn-equation" style={large ? { fontSize: '1.15em' } : {}}>
      {math
        ? drawn(math, numbers, null)
        : !numbers && (
            <span className="fn-figure" style={{ whiteSpace: 'normal' }}>
              {written}
            </span>
          )}
    </span>
  );
}

/** An element with all in it, its slots filled; in a sum over a row the member that is asked. */
export function drawn(
  element: Element,
  numbers: Numbers | undefined,
  member: number | null,
): React.ReactNode {
  const slot = element.getAttribute('data-slot');
  if (slot !== null && numbers) {
    return <Fragment>{filled(slot, element, numbers, member)}</Fragment>;
  }
  if (numbers && member === null && element.hasAttribute('data-series')) {
    return expanded(element, numbers);
  }
  const children = [...element.childNodes].map((node, place) => (
    <Fragment key={place}>
      {node instanceof Element ? drawn(node, numbers, member) : node.textContent}
    </Fragment>
  ));
  return createElement(element.tagName, element.tagName === 'math' ? { display: 'inline' } : {}, ...children);
}

function filled(slot: string, element: Element, numbers: Numbers, member: number | null): React.ReactNode {
  // A column of a log has no number of its own.
  const values = numbers.get(slot) ?? (ROW.test(slot) ? undefined : numbers.get(OWN));
  if (!values) {
    return drawn(element, undefined, member);
  }
  const shown = member === null ? values : values.slice(member, member + 1);
  const bracketed = shown.length === 1 && /^[−-]/.test(shown[0] ?? '') && isOperand(element);
  return createElement(
    'mrow',
    {},
    ...shown
      .slice(0, MEMBERS)
      .flatMap((value, place) => [
        ...(place > 0 ? [createElement('mo', { key: `c${place}`, separator: 'true' }, ',')] : []),
        createElement('mn', { key: place }, bracketed ? `(${value})` : value),
      ]),
    ...(shown.length > MEMBERS ? [createElement('mo', { key: 'rest' }, '…')] : []),
  );
}

/** Whether a sign before it would run into an operator, or a power stand on it: 3 − (−2), (−2)². */
function isOperand(element: Element): boolean {
  const parent = element.parentElement;
  const before = element.previousElementSibling;
  if (before) {
    return before.tagName === 'mo' && /^[−+·×/-]$/.test(before.textContent.trim());
  }
  return parent?.tagName === 'msup' || (parent?.tagName === 'mrow' && isOperand(parent));
}

/** A sum over a row, member by member: the first ones, and how many more there are. */
function expanded(element: Element, numbers: Numbers): React.ReactNode {
  const rows = [...element.querySelectorAll('[data-slot]')]
    .map((one) => one.getAttribute('data-slot') ?? '')
    .filter((slot) => ROW.test(slot));
  const length = Math.max(0, ...rows.map((slot) => numbers.get(slot)?.length ?? 0));
  if (length < 1) {
    return drawn(element, undefined, null);
  }
  const terms = [...element.childNodes].filter(
    (node): node is Element => node instanceof Element && node.textContent !== '∑',
  );
  const count = Math.min(length, MEMBERS);
  return createElement(
    'mrow',
    {},
    ...Array.from({ length: count }, (_, at) => (
      <Fragment key={at}>
        {at > 0 && createElement('mo', {}, '+')}
        {terms.map((term, place) => (
          <Fragment key={place}>{drawn(term, numbers, at)}</Fragment>
        ))}
      </Fragment>
    )),
    ...(length > count ? [createElement('mo', { key: 'rest' }, `+ … (${length})`)] : []),
  );
}
