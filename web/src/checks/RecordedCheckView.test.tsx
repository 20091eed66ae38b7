import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../api/client';
import { refuse, sent, serve, showAt, where, type Server, valueOf } from '../tests/served';
import { RecordedCheckView } from './RecordedCheckView';

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: { GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() },
}));
const server = api as unknown as Server;

const value = (path: string, label: string, shown: string, more = {}) => ({
  path,
  label,
  value: shown,
  shown,
  unit: '',
  isName: false,
  of: '',
  row: '',
  how: null,
  isDecimal: true,
  choices: [],
  ...more,
});

const untold = { at: null, waited: null, together: [], sheet: '', values: [] };
const check = (more: Partial<Schemas['Check']> = {}): Schemas['Check'] => ({
  id: 'C-00012',
  instrument: { id: 'NX-01', model: 'Wren 2', serial: '4411', family: 'any' },
  zone: 'Europe/London',
  at: '2026-11-17T16:27:00+00:00',
  who: 'by T-1',
  next: '2026-12-17T16:27:00+00:00',
  remarks: '',
  adjusted: false,
  brokenOff: false,
  away: null,
  setAside: null,
  procedure: 'Check with a reference',
  round: [],
  steps: [
    { id: 'a', title: 'Stopped', required: true, state: 'done', reason: null, ...untold },
    { id: 'b', title: 'Screen on', required: true, state: 'skipped', reason: null, ...untold },
    { id: 'c', title: 'Tube', required: true, state: 'not applicable', reason: 'none is used', ...untold },
  ],
  took: null,
  comesTo: [],
  values: [
    value('/x/asFound/0/value', 'As found, A, reading', '119.3', {
      of: 'As found',
      row: 'A',
      how: 'read back by a second person',
    }),
    value('/x/asFound/1/value', 'As found, B, reading', '20.9', { of: 'As found', row: 'B' }),
    value('/x/asFound/1/channel', 'As found, B, channel', 'B', { isName: true, isDecimal: false }),
  ],
  references: [
    {
      id: 'AC-01',
      model: 'Fork 114',
      kind: 'Calibrator',
      certificate: { number: 'F-1', laboratory: 'County', issued: '2026-03-04', due: '2027-03-04' },
      recalled: null,
    },
  ],
  inPlaceOf: null,
  replacedBy: null,
  runs: [
    {
      run: 'R-00003',
      person: 'W-03',
      task: 'sawing',
      start: '2026-11-17T08:00:00+00:00',
      how: 'closes',
      verdict: 'void',
    },
  ],
  mayCorrect: null,
  hows: [
    { value: 'transcribed', words: 'copied from a sheet', witnessed: true },
    { value: 'estimated', words: 'from memory', witnessed: false },
  ],
  alike: ['NX-02'],
  ...more,
});

const show = (told: Schemas['Check'], changed: unknown = {}) => {
  serve(server, { '/api/checks/{id}': told }, changed);
  return showAt('/checks/:id', '/checks/C-00012', <RecordedCheckView />);
};
const choose = async (label: RegExp | string, option: RegExp | string) => {
  fireEvent.mouseDown(screen.getByLabelText(label));
  fireEvent.click(await screen.findByRole('option', { name: option }));
};

describe('a check on record', () => {
  beforeEach(() => vi.clearAllMocks());

  it('tells what was read and how, against what, what became of its steps, and what rests on it', async () => {
    show(check());
    const line = await screen.findByRole('row', { name: /As found/ });
    expect(line.textContent).toContain('A 119.3 (read back by a second person) · B 20.9');
    expect(screen.getByText(/certificate F-1 of County/)).toBeTruthy();
    expect(screen.getByText(/Screen on/).parentElement?.textContent).toContain('skipped');
    expect(screen.getByText(/none is used/)).toBeTruthy();
    expect(screen.getByText(/closes/).textContent).toContain('R-00003, W-03, sawing, 17 Nov 08:00');
  });

  it('is corrected by what is right, and goes on to the one in its place', async () => {
    show(check(), check({ id: 'C-00031' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Correct or move' }));
    await choose('What was written wrongly', /As found, A, reading: 119.3/);
    fireEvent.change(screen.getByLabelText('As found, A, reading'), { target: { value: '113.9' } });
    fireEvent.change(screen.getByLabelText(/What was wrong/), { target: { value: 'exchanged' } });
    await choose(/How is it known/, 'from memory');
    expect(screen.getByText(/Only one person’s word/)).toBeTruthy();
    refuse(server.POST, 'Nothing was changed.', { '/x/asFound/0/value': 'must be a number' });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the correction' }));
    expect(await screen.findByText('must be a number')).toBeTruthy();
    expect(valueOf('As found, A, reading')).toBe('113.9');
    fireEvent.click(screen.getByRole('button', { name: 'Keep the correction' }));
    await waitFor(() => expect(where()).toBe('/checks/C-00031'));
    expect(sent(server.POST)).toMatchObject({
      path: '/api/checks/{id}/correction',
      body: { changes: { '/x/asFound/0/value': '113.9' }, reason: 'exchanged', how: 'estimated' },
    });
  });

  it('is moved with the moment by the clocks of the site', async () => {
    show(check(), check({ id: 'C-00031' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Correct or move' }));
    await choose('Made of instrument', 'NX-02');
    fireEvent.change(screen.getByLabelText('Made on, local time'), { target: { value: '2026-07-01T09:00' } });
    fireEvent.change(screen.getByLabelText(/What was wrong/), { target: { value: 'the other one' } });
    await choose(/How is it known/, 'copied from a sheet');
    fireEvent.click(screen.getByRole('button', { name: 'Keep the correction' }));
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({
      instrument: 'NX-02',
      changes: { '/at': '2026-07-01T09:00:00+01:00' },
    });
  });

  it('says what stands in its place, and offers no second correction', async () => {
    show(
      check({
        mayCorrect: 'Another check stands in its place: correct that one.',
        replacedBy: {
          check: 'C-00031',
          instrument: 'NX-02',
          at: '2026-11-18T09:00:00+00:00',
          by: 'H-1',
          reason: 'exchanged',
          how: 'copied from a sheet',
          changes: [{ label: 'As found', was: '119.3', is: '113.9' }],
        },
      }),
    );
    const said = (await screen.findByText(/counts for nothing any more/)).closest('div');
    expect(said?.textContent).toContain('C-00031 stands in its place, of NX-02');
    expect(within(said as HTMLElement).getByText('113.9')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Correct or move' })).toBeNull();
  });

  it('has a label with a code that opens it', async () => {
    show(check());
    fireEvent.click(await screen.findByRole('button', { name: 'Label' }));
    const label = screen.getByRole('figure', { name: 'Label of C-00012' });
    expect(label.textContent).toContain('NX-01');
    expect(label.textContent).toContain('next by 17 Dec 2026');
    expect(within(label).getByTitle(/\/checks\/C-00012$/)).toBeTruthy();
  });

  it('says who may correct it where whoever looks may not', async () => {
    show(check({ adjusted: true, mayCorrect: 'Only a hygienist corrects it.' }));
    expect(await screen.findByText('Only a hygienist corrects it.')).toBeTruthy();
  });
});
