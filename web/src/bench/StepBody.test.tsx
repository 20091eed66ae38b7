import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { entry, step } from '../tests/fixtures';
import { press } from '../tests/served';
import { lacks } from './answers';
import { StepBody } from './StepBody';

const columns = [
  entry('channel', 'choice', {
    label: 'Channel',
    required: true,
    choices: ['CO', 'PID'].map((value) => ({ value, words: value })),
  }),
  entry('value', 'decimal', { label: 'Reads', required: true }),
  entry('expected', 'decimal', { label: 'Expects' }),
];
const mix = step('mix-found', 'readings', {
  into: 'mixFound',
  columns,
  presets: [{ channel: 'CO' }, { channel: 'PID' }],
});
const draft = (problems: Schemas['Draft']['problems'] = []) =>
  ({ problems, references: [] }) as unknown as Schemas['Draft'];

const show = (
  of: Schemas['Step'],
  answers: Schemas['Answers'] = {},
  problems: Schemas['Draft']['problems'] = [],
) => {
  const put = vi.fn();
  const onEnter = vi.fn();
  const onChosen = vi.fn();
  const onOver = vi.fn();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <StepBody
        step={of}
        draft={draft(problems)}
        answers={answers}
        put={put}
        onEnter={onEnter}
        onChosen={onChosen}
        onOver={onOver}
      />
    </QueryClientProvider>,
  );
  return { put, onEnter, onChosen, onOver };
};

it('begins with the rows that the family gives, and keeps them with the first reading', () => {
  const { put } = show(mix);
  expect(screen.getAllByRole('combobox', { name: 'Channel' }).map((one) => one.textContent)).toEqual([
    'CO',
    'PID',
  ]);
  fireEvent.change(screen.getByLabelText('Reads 2'), { target: { value: '98,5' } });
  expect(put).toHaveBeenCalledWith({
    mixFound: [
      { provenance: 'typed', channel: 'CO' },
      { provenance: 'typed', channel: 'PID', value: '98,5' },
    ],
  });
});

it('shows what was typed instead of what it would begin with', () => {
  show(mix, { mixFound: [{ channel: 'PID', value: '99' }] });
  expect(screen.getAllByRole('combobox', { name: 'Channel' })).toHaveLength(1);
});

it('lets another channel be chosen, and another reading be added', () => {
  const { put } = show(mix, { mixFound: [{ channel: 'CO', value: '50' }] });
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Channel' }));
  fireEvent.click(within(screen.getByRole('listbox')).getByText('PID'));
  expect(put).toHaveBeenLastCalledWith({ mixFound: [{ channel: 'PID', value: '50' }] });
  fireEvent.click(screen.getByRole('button', { name: 'Another reading' }));
  expect(put).toHaveBeenLastCalledWith({
    mixFound: [{ channel: 'CO', value: '50' }, { provenance: 'typed' }],
  });
});

it('says beside the cell what the server could not read', () => {
  show(mix, { mixFound: [{ channel: 'CO', value: 'fifty' }] }, [
    { field: '/gas/mixFound/0/value', problem: '"fifty" is not a number.' },
  ]);
  expect(screen.getByText('"fifty" is not a number.')).toBeTruthy();
});

it('goes on with Enter from any cell', () => {
  const { onEnter } = show(mix, { mixFound: [{ channel: 'CO', value: '50' }] });
  fireEvent.keyDown(screen.getByLabelText('Expects'), { key: 'Enter' });
  expect(onEnter).toHaveBeenCalledOnce();
});

it('asks for a reading, not for the channel that stands there already', () => {
  expect(lacks(mix, { mixFound: [{ channel: 'CO' }] }, [])).toBe('Write the reading.');
  expect(lacks(mix, { mixFound: [{ channel: 'CO', value: '0' }] }, [])).toBeNull();
});

it('keeps an adjustment under the name of its step', () => {
  const adjust = step('mix-adjust', 'adjust', { into: 'mixAdjusted' });
  expect(lacks(adjust, { adjusted: true }, [])).toBe('Say whether it was adjusted.');
  expect(lacks(adjust, { mixAdjusted: false }, [])).toBeNull();
  const { onChosen } = show(adjust, {});
  fireEvent.click(screen.getByRole('button', { name: 'Adjusted' }));
  expect(onChosen).toHaveBeenCalledWith({ mixAdjusted: true });
});

it('keeps it under its old name where the step gives none', () => {
  const { onChosen } = show(step('adjust', 'adjust'), {});
  fireEvent.click(screen.getByRole('button', { name: 'Left as it is' }));
  expect(onChosen).toHaveBeenCalledWith({ adjusted: false });
});

it('stamps a reading by one key with the seconds since gas is on, and reads all once more', () => {
  const gas = { ...mix, clocked: true };
  const { put } = show(gas);
  press(/Gas is on/);
  expect(Object.keys((put.mock.lastCall as [{ waits: object }])[0].waits)).toEqual([mix.id]);
  cleanup();
  const began = new Date(Date.now() - 42_300).toISOString();
  const clock = show(gas, { waits: { [mix.id]: began } });
  const reads = screen.getAllByLabelText(/^Reads/)[0] as HTMLElement;
  fireEvent.keyDown(reads, { key: 's' });
  expect(
    (clock.put.mock.lastCall as [Record<string, { seconds: string }[]>])[0][mix.into]?.[0]?.seconds,
  ).toBe('42');
  press('Read all again');
  expect((clock.put.mock.lastCall as [Record<string, unknown[]>])[0][mix.into]).toHaveLength(
    2 * mix.presets.length,
  );
  cleanup();
  // A sheet of paper has no clock.
  show(gas, { fromPaper: true });
  expect(screen.queryByRole('button', { name: /Gas is on/ })).toBeNull();
});

it('goes on by itself when a wait runs out before somebody, and not where it was over already', async () => {
  const wait = step('steady', 'wait', { seconds: 10 });
  const ago = (seconds: number) => ({
    waits: { steady: new Date(Date.now() - 1000 * seconds).toISOString() },
  });
  expect(show(wait, ago(3600)).onOver).not.toHaveBeenCalled();
  expect(screen.getByText(/Time is up/)).toBeTruthy();
  cleanup();
  const { onOver } = show(wait, ago(9.3));
  expect(onOver).not.toHaveBeenCalled();
  await waitFor(() => expect(onOver).toHaveBeenCalledTimes(1), { timeout: 3000 });
});
