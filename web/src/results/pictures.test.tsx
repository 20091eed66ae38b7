import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { Changed, Schools } from './Aside';
import { IntervalPicture } from './IntervalPicture';

const shown = (text: string) => ({ figure: 'f1', shown: text });

const limit: Schemas['LimitOutcome'] = {
  id: 'l',
  title: 'upper action value',
  figure: 'f1',
  value: '85',
  unit: 'dB(A)',
  comparator: '>=',
  scope: '',
  source: '',
  mark: 'published',
  crossed: false,
  words: 'not reached',
  robustness: 'undecided',
  causes: [],
  statement: 'Undecided.',
  figures: [],
  tippingPoint: null,
  tippingWords: '',
  confidence: null,
};

const result = (low: string | null, value: string, high: string | null): Schemas['Result'] => ({
  key: 'lex8h',
  title: 'Daily noise exposure level',
  unit: 'dB(A)',
  channel: null,
  verdict: 'valid',
  drift: null,
  findings: [],
  inherited: null,
  reported: 'indicated',
  value: shown(value),
  indicated: shown(value),
  pre: null,
  post: null,
  between: null,
  lowest: low === null ? null : shown(low),
  highest: high === null ? null : shown(high),
  uncertainty: null,
  notes: [],
  noteFigures: [],
  altered: [],
  also: [],
  limits: [limit],
});

/** Where the limit's line and the value's dot are drawn. */
const places = (container: HTMLElement) => ({
  dot: Number(container.querySelector('circle')?.getAttribute('cx')),
  line: Number(
    /^M([\d.]+)/.exec([...container.querySelectorAll('path')].at(-1)?.getAttribute('d') ?? '')?.[1],
  ),
});

it('draws the limit inside an interval that lies across it', () => {
  const { container } = render(<IntervalPicture result={result('84.8', '84.8', '85.2')} limit={limit} />);
  const { dot, line } = places(container);
  expect(line).toBeGreaterThan(dot);
  expect(line).toBeCloseTo(14 + 81, 5);
  expect(screen.getByRole('img', { name: 'drift interval 84.8 to 85.2, limit 85' })).toBeTruthy();
});

it('draws the limit on the side on which it lies, without an interval too', () => {
  const above = places(
    render(<IntervalPicture result={result('86.0', '86.1', '86.2')} limit={limit} />).container,
  );
  expect(above.line).toBeLessThan(above.dot);
  const alone = places(
    render(<IntervalPicture result={result(null, '80.0', null)} limit={limit} />).container,
  );
  expect(alone.line).toBeGreaterThan(alone.dot);
  expect(screen.getByRole('img', { name: 'drift interval unknown to unknown, limit 85' })).toBeTruthy();
});

const school = (name: string, verdict: Schemas['Verdict'], value: string): Schemas['School'] => ({
  policy: { id: name, name, version: 1 },
  verdict,
  headline: 'lex8h',
  results: [{ key: 'lex8h', title: '', reported: 'indicated', shown: value, unit: 'dB(A)' }],
  findings: [
    {
      rule: 'noise.drift',
      title: 'Acoustic drift',
      severity: verdict === 'void' ? 'void' : 'note',
      limit: 'not more than 0.5 dB',
    },
  ],
  checks: [],
});

it('sets policies side by side with what weighs', () => {
  render(
    <Schools
      schools={[
        { key: 'a', chosen: true, assessment: school('Standard', 'void', '86.1') },
        { key: 'b', chosen: false, assessment: school('Survey', 'valid', '86.1') },
      ]}
    />,
  );
  const [, standard, survey] = screen.getAllByRole('row');
  expect(standard?.textContent).toContain('(this campaign)');
  expect(standard?.textContent).toContain('Acoustic drift (not more than 0.5 dB)');
  expect(survey?.textContent).toContain('none');
});

it.each([
  ['evidence', 'Evidence has come since signing.'],
  ['release', 'Judged otherwise by a new release of the rules; no evidence has come.'],
] as const)('says old against new, and that %s is why', (because, words) => {
  render(
    <Changed
      changes={{
        was: school('Standard', 'valid', '85.4'),
        is: school('Standard', 'void', '-3.0'),
        because,
      }}
    />,
  );
  expect(screen.getByRole('status').textContent).toContain(words);
  expect(screen.getByRole('status').textContent).toContain(
    'Signed: valid, 85.4 dB(A). Now: void, −3.0 dB(A).',
  );
});
