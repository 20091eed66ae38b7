import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { BracketSign } from './BracketSign';
import { VerdictSign } from './VerdictSign';

const end = { check: 'k', at: '' };

describe('the bracket sign', () => {
  it.each([
    ['closed', end, end, 0, false, 'closed bracket'],
    ['running', end, null, 0, false, 'the run goes on'],
    ['open', end, null, 0, false, 'open bracket: no check after the run yet'],
    ['no beginning', null, end, 0, false, 'no check before the run'],
    ['broken', end, null, 0, false, 'broken bracket'],
    ['closed', end, end, 2, false, 'closed bracket, 2 check in between'],
    ['closed', end, end, 0, true, 'closed bracket, void'],
  ])('says %s in words for those who do not see it', (state, pre, post, between, struck, label) => {
    render(<BracketSign bracket={{ state, pre, post, between }} struck={struck} />);
    expect(screen.getByRole('img', { name: label })).toBeTruthy();
  });

  it('draws each state with a shape of its own', () => {
    const states = [
      { state: 'closed', pre: end, post: end, between: 0 },
      { state: 'running', pre: end, post: null, between: 0 },
      { state: 'open', pre: end, post: null, between: 0 },
      { state: 'no beginning', pre: null, post: end, between: 0 },
      { state: 'broken', pre: end, post: null, between: 0 },
    ];
    const drawn = states.map((bracket) => {
      const { container } = render(<BracketSign bracket={bracket} />);
      return container.querySelector('svg')?.innerHTML;
    });
    expect(new Set(drawn).size).toBe(states.length);
  });
});

describe('the verdict sign', () => {
  const verdicts: Schemas['Verdict'][] = ['valid', 'corrected', 'qualified', 'open', 'void'];

  it('tells each verdict by its word and by a shape of its own, never by ink alone', () => {
    const shapes = verdicts.map((verdict) => {
      const { container } = render(<VerdictSign verdict={verdict} />);
      expect(container.textContent).toBe(verdict);
      return container.querySelector('svg')?.innerHTML;
    });
    expect(new Set(shapes).size).toBe(verdicts.length);
  });
});
