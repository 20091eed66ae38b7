import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { step } from '../tests/fixtures';
import { CheckView } from './CheckView';

const server = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn() }));

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const reading: Schemas['Entry'] = {
  name: 'value',
  kind: 'decimal',
  label: 'Reading',
  required: true,
  help: '',
  units: ['dB'],
  choices: [],
  rows: [],
  of: '',
  asked: 'start',
};

const draft = (version: number, answers: Schemas['Answers']): Schemas['Draft'] => ({
  id: 'd1',
  version,
  round: null,
  hasPhoto: false,
  standIn: null,
  startedBy: 'T-1',
  typedBy: [{ by: 'T-1', fields: ['reference'] }],
  startedAt: '2026-11-18T07:00:00+00:00',
  unit: {
    id: 'DM-06',
    model: 'Wren 2',
    family: 'noise-dosimeter',
    practice: false,
    about: 'microphone diameter 1/2 in',
    procedures: [{ id: 'acoustic-check', title: 'Check', inARow: true }],
    hold: ['R-1', 'R-2'],
    running: null,
  },
  procedure: {
    id: 'acoustic-check',
    title: 'Check',
    steps: [
      step('stopped', 'confirm'),
      step('reference', 'reference'),
      step('as-found', 'readings', { into: 'asFound', columns: [reading] }),
      step('adjust', 'adjust', { required: false }),
      step('as-left', 'readings', { when: 'adjusted', into: 'asLeft', columns: [reading] }),
    ],
  },
  sheets: [],
  references: [
    {
      id: 'AC-01',
      model: 'Fork',
      about: 'adapters 1/2 in',
      settings: [{ value: '114', words: '114 dB, 1000 Hz, certified 114.02' }],
      problems: ['Its certificate was due on 1 Oct 2026.'],
    },
  ],
  answers,
  taken: [],
  problems: [],
  live: {
    lines: [
      { label: 'should show', shown: '114.02', unit: 'dB', kept: null, limit: '', signed: false },
      { label: 'as found, off by', shown: '-0.62', unit: 'dB', kept: null, limit: '', signed: true },
      {
        label: 'drift since C-1',
        shown: '-0.70',
        unit: 'dB',
        kept: false,
        limit: 'not more than 0.5 dB',
        signed: true,
      },
    ],
    questions: [],
    said: [],
    policy: 'Standard',
    closes: [{ run: 'R-1', person: 'W-06', task: 'casting', verdict: 'void', finding: 'Drift: −0.70 dB.' }],
  },
});

let kept: Schemas['Answers'];

const good = (data: unknown) => Promise.resolve({ data, response: new Response() });

beforeEach(() => {
  const store = new Map<string, string>();
  Object.defineProperty(window, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => store.set(key, value),
      removeItem: (key: string) => store.delete(key),
    },
  });
  kept = {};
  let version = 1;
  server.GET.mockImplementation((path: string) =>
    good(path === '/api/files' ? { most: 40, files: [] } : draft(version, kept)),
  );
  server.PUT.mockImplementation((_path: string, { body }: { body: { answers: Schemas['Answers'] } }) => {
    kept = body.answers;
    version += 1;
    return good(draft(version, kept));
  });
  server.POST.mockImplementation(() => good({ check: 'C-2' }));
});

const open = async () => {
  const router = createMemoryRouter(
    [
      { path: '/bench/:id', Component: CheckView },
      { path: '/bench', Component: () => <p>the bench</p> },
    ],
    { initialEntries: ['/bench/d1'] },
  );
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  await screen.findByRole('heading', { name: 'stopped' });
};

const goOn = () => screen.getByRole<HTMLButtonElement>('button', { name: /Done, go on/ });

describe('a check on the bench', () => {
  it('says that the unit must not be adjusted, and what the check will close', async () => {
    await open();
    expect(
      screen.getByText(/Do not adjust before the value as found is written: it closes 2 runs/),
    ).toBeTruthy();
    const aside = screen.getByLabelText('What the check shows so far');
    expect(aside.textContent).toContain('−0.70 dB');
    expect(aside.textContent).toContain('beyond the limit of Standard');
    expect(within(aside).getByText('Drift: −0.70 dB.')).toBeTruthy();
  });

  it('walks to its end by one key where nothing is missing, and keeps the order of the steps', async () => {
    await open();
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await screen.findByRole('heading', { name: 'reference' });
    expect(goOn().disabled).toBe(true);
    expect(screen.getByText('Choose a reference.')).toBeTruthy();
    expect(screen.getByText('Its certificate was due on 1 Oct 2026.')).toBeTruthy();
    // A choice that is all that a step asks goes on by itself.
    fireEvent.click(screen.getByRole('radio', { name: /114 dB, 1000 Hz/ }));
    await screen.findByRole('heading', { name: 'as-found' });
    fireEvent.change(screen.getByLabelText(/Reading/), { target: { value: '113,4' } });
    fireEvent.click(goOn());
    await screen.findByRole('heading', { name: 'adjust' });
    fireEvent.click(screen.getByRole('button', { name: 'Left as it is' }));
    fireEvent.click(await screen.findByRole('button', { name: /Accept the check/ }));
    await screen.findByText('the bench');
    expect(kept).toMatchObject({ reference: 'AC-01', setting: '114', adjusted: false });
    expect(kept.asFound).toEqual([{ value: '113,4', provenance: 'typed' }]);
    expect(Object.keys(kept.steps ?? {})).toEqual(['stopped', 'reference', 'as-found', 'adjust']);
  });

  it('asks for the reading as left only where the unit was adjusted', async () => {
    kept = {
      adjusted: true,
      steps: { stopped: 'done', reference: 'done', 'as-found': 'done' },
      asFound: [{ value: '113.4', provenance: 'typed' }],
    };
    const router = createMemoryRouter([{ path: '/bench/:id', Component: CheckView }], {
      initialEntries: ['/bench/d1'],
    });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    await screen.findByRole('heading', { name: 'adjust' });
    const steps = screen.getByRole('list', { name: 'Steps' });
    expect(within(steps).getByRole('button', { name: /as-left/ })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Left as it is' }));
    await waitFor(() => expect(within(steps).queryByRole('button', { name: /as-left/ })).toBeNull());
  });

  it('copies a sheet: readings are transcribed, and its own time is wanted before it is accepted', async () => {
    await open();
    fireEvent.click(screen.getByRole('button', { name: 'From paper' }));
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await screen.findByRole('heading', { name: 'reference' });
    fireEvent.click(screen.getByRole('radio', { name: /114 dB, 1000 Hz/ }));
    await screen.findByRole('heading', { name: 'as-found' });
    fireEvent.change(screen.getByLabelText(/Reading/), { target: { value: '113,4' } });
    fireEvent.click(goOn());
    await screen.findByRole('heading', { name: 'adjust' });
    fireEvent.click(screen.getByRole('button', { name: 'Left as it is' }));
    const accept = await screen.findByRole('button', { name: /Accept the check/ });
    expect((accept as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getByText(/the time on the sheet, not that of typing it/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('When it was made, local time'), {
      target: { value: '2020-11-17T07:30' },
    });
    fireEvent.click(await screen.findByRole('button', { name: /Accept the check/ }));
    await screen.findByText('the bench');
    expect(kept).toMatchObject({ fromPaper: true, asFound: [{ value: '113,4', provenance: 'transcribed' }] });
  });

  it('lets a step be skipped and says so, and steps back', async () => {
    await open();
    fireEvent.keyDown(document.body, { key: 'x' });
    await screen.findByRole('heading', { name: 'reference' });
    await waitFor(() => expect(kept.steps).toEqual({ stopped: 'skipped' }));
    const steps = screen.getByRole('list', { name: 'Steps' });
    expect(within(steps).getByRole('button', { name: /stopped/ }).textContent).toContain('stopped skipped');
    fireEvent.keyDown(document.body, { key: 'y' });
    await screen.findByRole('heading', { name: 'stopped' });
    fireEvent.keyDown(document.body, { key: 'Enter' });
    await waitFor(() => expect(kept.steps).toEqual({ stopped: 'done' }));
  });

  it('takes a step that does not apply with its reason only, and never what is read', async () => {
    await open();
    fireEvent.click(screen.getByRole('button', { name: /Does not apply/ }));
    const why = screen.getByLabelText(/Why it does not apply/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Does not apply' }).disabled).toBe(true);
    fireEvent.change(why, { target: { value: 'none is fitted' } });
    fireEvent.click(screen.getByRole('button', { name: 'Does not apply' }));
    await screen.findByRole('heading', { name: 'reference' });
    await waitFor(() => expect(kept.steps).toEqual({ stopped: 'not applicable' }));
    expect(kept.stepReasons).toEqual({ stopped: 'none is fitted' });
    expect(screen.queryByRole('button', { name: /Does not apply/ })).toBeNull();
    const steps = screen.getByRole('list', { name: 'Steps' });
    expect(within(steps).getByRole('button', { name: /stopped/ }).textContent).toContain('does not apply');
  });

  it('stays where it is when the server does not accept', async () => {
    kept = {
      steps: { stopped: 'done', reference: 'done', 'as-found': 'done', adjust: 'done' },
      adjusted: false,
    };
    server.POST.mockImplementation(() =>
      Promise.resolve({
        error: {
          type: '',
          title: '',
          status: 422,
          detail: 'All answers are kept. There is no reading as found.',
          fields: [],
        },
        response: new Response(null, { status: 422 }),
      }),
    );
    const router = createMemoryRouter([{ path: '/bench/:id', Component: CheckView }], {
      initialEntries: ['/bench/d1'],
    });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    fireEvent.click(await screen.findByRole('button', { name: /Accept the check/ }));
    await screen.findByText(/All answers are kept/);
    expect(screen.getByRole('heading', { name: 'Accept' })).toBeTruthy();
  });
});
