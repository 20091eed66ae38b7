import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import {
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  show,
  showAt,
  technician,
  type,
  valueOf,
} from '../tests/served';
import { CustodyView } from './CustodyView';
import { LaboratoryView } from './LaboratoryView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const report = {
  id: 'L-1',
  number: '26-118',
  laboratory: 'County',
  received: '2026-11-23',
  rows: 12,
  file: '26-118.csv',
  unmatched: ['M-99'],
  blankCorrected: 'unknown',
  desorptionCorrected: 'yes',
};
const laboratory = {
  reports: [report],
  awaited: [
    { run: 'A-1', medium: 'M-01', person: 'W-08', task: 'sanding', start: '2026-11-19T08:00:00+00:00' },
    { run: 'A-2', medium: 'M-02', person: 'W-06', task: 'spraying', start: '2026-11-19T08:00:00+00:00' },
  ],
  blanks: [
    { medium: 'B-1', kind: 'field', note: 'went along', reported: false },
    { medium: 'B-2', kind: 'media', note: '', reported: true },
  ],
};
const library = {
  shelves: [
    { id: 'substances', title: '', one: '', items: [{ code: 'lead', name: 'lead', by: '', traits: [] }] },
  ],
};
const empty = { reports: [], awaited: [], blanks: [] };

const open = async (who: unknown, what: object = laboratory) => {
  serve(server, {
    '/api/laboratory': what,
    '/api/campaigns': { campaigns: [{ id: 'c', title: 'Air' }] },
    '/api/kit/library': library,
    '/api/session': who,
  });
  show(<LaboratoryView />);
  await screen.findByRole('heading', { name: 'Laboratory' });
};
const head = () => {
  type(/^Number of the report/, '26-119');
  type(/^Laboratory/, 'County');
  type(/^Received/, '2026-11-25');
  pick(/^Did the laboratory subtract blanks/, 'no, it is still to be done');
  pick(/^Did it correct for desorption/, 'yes, it is done');
};

describe('the laboratory', () => {
  it('shows what is awaited, what came, and what nobody knows of it', async () => {
    await open(reader);
    expect(screen.getByRole('row', { name: /M-01/ }).textContent).toContain('W-08, sanding');
    const came = screen.getByRole('row', { name: /26-118/ });
    expect(came.textContent).toContain('neither sample nor blank: M-99');
    expect(came.textContent).toContain('not known: ask');
    expect(within(came).getByRole('link', { name: '26-118.csv' }).getAttribute('href')).toBe(
      '/api/laboratory/reports/L-1/file',
    );
    expect(screen.getByText(/2 blanks:/).textContent).toContain(
      'B-1 (field, not reported yet, went along), B-2 (media)',
    );
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('says so where nothing is awaited and nothing came', async () => {
    await open(technician, empty);
    expect(screen.getByText(/Every medium that was sampled on has its report/)).toBeTruthy();
    expect(screen.getByText('No report has come yet.')).toBeTruthy();
    expect(screen.getByText(/None kept/)).toBeTruthy();
  });

  it('keeps a blank, and says where it cannot', async () => {
    await open(technician);
    press(await screen.findByRole('button', { name: 'Register a blank' }).then(() => 'Register a blank'));
    type(/^Number of the medium/, 'M-01');
    pick('Kind', 'media blank');
    refuse(server.POST, 'Nothing was kept.', { '/medium': 'a blank draws no air.' });
    press('Keep it');
    expect(await screen.findByText('a blank draws no air.')).toBeTruthy();
    type(/^Number of the medium/, 'B-9');
    press('Keep it');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST).body).toEqual({ campaign: 'c', medium: 'B-9', note: '', kind: 'media' });
  });

  it('writes down what the laboratory said, with who said so', async () => {
    await open(technician);
    press(
      await screen.findByRole('button', { name: 'The laboratory said' }).then(() => 'The laboratory said'),
    );
    pick(/^Did the laboratory subtract blanks/, 'yes, it is done');
    type(/^Who said so/, 'by telephone');
    press('Write it down');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      params: { path: { id: 'L-1' } },
      body: { blankCorrected: 'yes', desorptionCorrected: 'yes', reason: 'by telephone' },
    });
  });

  it('takes a typed report, row by row of what is awaited, and names the row that is wrong', async () => {
    await open(technician);
    press(await screen.findByRole('button', { name: 'Type a report' }).then(() => 'Type a report'));
    await screen.findByRole('dialog');
    expect(valueOf('medium, row 2')).toBe('M-02');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep 0 rows' }).disabled).toBe(true);
    head();
    type('Mass, or front, row 2', '<5');
    press('Another row');
    expect(valueOf('medium, row 3')).toBe('M-02');
    type('Mass, or front, row 3', '0,8');
    // Of the rows that are sent the second is the third on the screen.
    refuse(server.POST, 'Nothing was kept.', { '/rows/1/front': 'is no mass.' });
    press('Keep 2 rows');
    const said = await screen.findByText('is no mass.');
    expect(said.closest('tr')?.textContent).toBe(
      screen.getByLabelText('medium, row 3').closest('tr')?.textContent,
    );
    press('Keep 2 rows');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST).body).toMatchObject({
      number: '26-119',
      blankCorrected: 'no',
      desorptionCorrected: 'yes',
      rows: [
        { medium: 'M-02', front: '<5' },
        { medium: 'M-02', front: '0,8' },
      ],
    });
  });
});

describe('a report out of a file', () => {
  const preview = {
    header: ['Sample', 'Lead', ''],
    rows: [['M-01', '0.8', 'x']],
    fields: [
      { value: 'medium', words: 'number of the medium' },
      { value: 'front', words: 'mass, or front' },
    ],
    mapping: {
      delimiter: ',',
      decimal: '.',
      skip: 1,
      unit: 'µg',
      columns: [{ place: 0, field: 'medium', analyte: null }],
    },
    remembered: false,
  };
  const lines = (text: string) => ({
    ok: true,
    body: {
      getReader: () => {
        const parts = [new TextEncoder().encode(text)];
        return {
          read: () =>
            Promise.resolve(
              parts.length > 0 ? { done: false, value: parts.pop() } : { done: true, value: undefined },
            ),
        };
      },
    },
  });
  const chosen = async () => {
    await open(technician);
    server.POST.mockImplementation(() => Promise.resolve({ data: preview, response: new Response() }));
    press(
      await screen
        .findByRole('button', { name: 'Read a report from a file' })
        .then(() => 'Read a report from a file'),
    );
    head();
    fireEvent.change(screen.getByLabelText(/^Choose the CSV file/), {
      target: { files: [new File(['x'], 'r.csv')] },
    });
    expect(await screen.findByText(/A guess from its head/)).toBeTruthy();
  };

  it('is kept by the columns that a person confirms, and says what matches nothing', async () => {
    const fetched = vi.fn(() =>
      Promise.resolve(lines('{"done":1,"of":1}\n{"report":"L-2","rows":1,"unmatched":["M-77"]}\n')),
    );
    vi.stubGlobal('fetch', fetched);
    await chosen();
    pick('what Lead holds', 'mass, or front');
    pick('substance of Lead', 'of lead');
    pick('Masses are in', 'mg');
    press('Keep the report');
    expect(await screen.findByText(/Neither a sample nor a blank of this logbook: M-77/)).toBeTruthy();
    expect(screen.getByText(/1 row of r.csv/)).toBeTruthy();
    const [, asked] = fetched.mock.lastCall as unknown as [string, { headers: Record<string, string> }];
    expect(JSON.parse(decodeURIComponent(asked.headers['X-Report'] ?? ''))).toMatchObject({
      number: '26-119',
      file: 'r.csv',
      mapping: {
        unit: 'mg',
        columns: [
          { place: 0, field: 'medium' },
          { place: 1, field: 'front', analyte: 'lead' },
        ],
      },
    });
  });

  it('is kept whole or not at all; faults are told by line and column', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(() =>
        Promise.resolve(
          lines(
            '{"problem":"Nothing was kept.","fields":[{"field":"/line/2/front","problem":"is no mass."},{"field":"/line/9/medium","problem":"is missing."}]}\n',
          ),
        ),
      ),
    );
    await chosen();
    press('Keep the report');
    expect(await screen.findByText('line 2, front: is no mass.')).toBeTruthy();
    expect(screen.getByText('line 9, medium: is missing.')).toBeTruthy();
    expect(valueOf(/^Number of the report/)).toBe('26-119');
  });
});

describe('the chain of custody', () => {
  const medium = {
    medium: 'M-01',
    kind: 'sample',
    run: 'A-1',
    unit: 'PM-01',
    person: 'W-08',
    task: 'sanding',
    sampler: 'IHH',
    method: '',
    start: '2026-11-19T08:00:00+00:00',
    stop: null,
    volume: '900',
  };
  const blank = {
    medium: 'B-1',
    kind: 'field blank',
    run: '',
    unit: '',
    person: '',
    task: '',
    sampler: '',
    method: '',
    start: null,
    stop: null,
    volume: null,
  };
  const print = async (media: object[]) => {
    serve(server, {
      '/api/campaigns/{id}/custody': { campaign: { title: 'Air', site: 'Mill', zone: 'UTC' }, media },
    });
    showAt('/custody/:id', '/custody/c', <CustodyView />);
    await screen.findByRole('heading', { name: 'Chain of custody' });
  };

  it('names every medium and who hands it on', async () => {
    await print([medium, blank]);
    expect(screen.getByRole('row', { name: /M-01/ }).textContent).toContain('A-1, PM-01');
    expect(screen.getByRole('row', { name: /M-01/ }).textContent).toContain('08:00 to now');
    expect(screen.getByRole('row', { name: /B-1/ }).textContent).toContain('–');
    expect(screen.getByText('Received at the laboratory by, name and signature')).toBeTruthy();
  });

  it('says where there is none', async () => {
    await print([]);
    expect(screen.getByText(/No run of this campaign names a medium/)).toBeTruthy();
  });
});
