import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { entry, step } from '../tests/fixtures';
import { press, sent, serve, type Server, showAt, where } from '../tests/served';
import { RoundView } from './RoundView';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const number = entry('value', 'decimal', { label: 'Reading', units: ['dB'] });
const steps = [
  step('stop', 'confirm'),
  step('reference', 'reference'),
  step('cap', 'confirm'),
  step('found', 'readings', { into: 'asFound', columns: [number] }),
  step('further', 'readings', { into: 'further', columns: [number], required: false }),
  step('adjust', 'adjust', { required: false }),
  step('left', 'readings', { into: 'asLeft', columns: [number], when: 'adjusted' }),
  step('off', 'confirm'),
];
const draft = (id: string, answers: Schemas['Answers']): Schemas['Draft'] => ({
  id,
  version: 3,
  round: 'r1',
  hasPhoto: false,
  standIn: null,
  startedBy: 'T-1',
  typedBy: [],
  startedAt: '2026-11-18T07:00:00+00:00',
  unit: {
    id,
    model: 'M',
    family: 'any',
    practice: false,
    about: '',
    procedures: [],
    hold: [],
    running: null,
  },
  procedure: { id: 'p', title: 'Check', steps },
  sheets: [],
  references: [
    {
      id: 'A',
      model: 'K',
      about: '',
      settings: [{ value: '114', words: '114 dB' }],
      problems: ['It is old.'],
    },
  ],
  answers,
  taken: [],
  problems: [],
  live: { lines: [], questions: [], said: [], policy: 'Standard', closes: [] },
});
const unit = (id: string, more: Partial<Schemas['Round']['units'][number]> = {}) => ({
  id,
  model: 'M',
  untilAdjusted: ['stop', 'reference', 'cap', 'found', 'further'],
  draft: id,
  check: null,
  isRead: false,
  isSettled: false,
  version: 3,
  adjusted: null,
  skipped: [],
  drift: null,
  ...more,
});
const round = (units: Schemas['Round']['units'], more: Partial<Schemas['Round']> = {}): Schemas['Round'] => ({
  id: 'r1',
  startedBy: 'T-1',
  startedAt: '2026-11-18T07:00:00+00:00',
  title: 'Check',
  unit: 'dB',
  units,
  reference: 'A',
  shift: null,
  ...more,
});
const chosen = { reference: 'A', setting: '114', steps: { reference: 'done' } };
let answers: Schemas['Answers'];

const open = (of: Schemas['Round']) => {
  serve(server, {
    '/api/bench/rounds/{id}': of,
    '/api/bench/drafts/{id}': (asked: { params: { path: { id: string } } }) =>
      draft(asked.params.path.id, answers),
  });
  server.PUT.mockImplementation((_: string, { body }: { body: { answers: Schemas['Answers'] } }) => {
    answers = body.answers;
    return Promise.resolve({ data: draft('X', answers), response: new Response() });
  });
  showAt('/bench/rounds/:id', '/bench/rounds/r1', <RoundView />);
};

beforeEach(() => {
  answers = chosen;
  window.localStorage.clear();
  server.POST.mockClear();
});

it('chooses the reference once, for all', async () => {
  answers = {};
  open(round([unit('X'), unit('Y')], { reference: null }));
  fireEvent.click(await screen.findByRole('radio', { name: '114 dB' }));
  await waitFor(() => expect(sent(server.POST).path).toBe('/api/bench/rounds/{id}/reference'));
  expect(sent(server.POST).body).toEqual({ reference: 'A', setting: '114' });
});

it('confirms together what the card says, and says what was taken out', async () => {
  open(round([unit('X'), unit('Y')]));
  await screen.findByRole('heading', { name: /X M, 1 of 2: as found/ });
  expect(screen.getByText('A: It is old.')).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: /Done, next unit/ }).disabled).toBe(true);
  fireEvent.change(screen.getAllByLabelText(/^Reading/)[0] as HTMLElement, { target: { value: '114,1' } });
  fireEvent.click(screen.getByRole('checkbox', { name: /do cap/ }));
  press(/Done, next unit/);
  await waitFor(() => expect(answers.together).toBeDefined());
  expect(answers.steps).toEqual({
    reference: 'done',
    stop: 'done',
    cap: 'skipped',
    found: 'done',
    // It was offered, and nobody read anything.
    further: 'skipped',
  });
  expect(answers.together).toEqual([{ steps: ['stop', 'found'] }]);
});

it('goes on where it is left as it is, and asks for the reading where it was adjusted', async () => {
  open(round([unit('X', { isRead: true, drift: 0.3 })]));
  await screen.findByRole('heading', { name: /adjust or leave/ });
  press('Adjusted');
  expect(await screen.findByText('Write the reading.')).toBeTruthy();
  // Whatever is read from now on was read after it.
  expect(answers.steps).toEqual({ reference: 'done', adjust: 'done' });
  press('Left as it is');
  await waitFor(() => expect(answers.steps).toEqual({ reference: 'done', adjust: 'done', off: 'done' }));
  expect(answers.adjusted).toBe(false);
});

it('takes a reading that comes by itself, and leaves the rest to the press of a person', async () => {
  const fed = { ...draft('X', chosen), standIn: { title: 'It', faults: [], connected: true, fault: null } };
  fed.procedure.steps = steps.map((one) =>
    one.id === 'found' ? { ...one, feeds: [{ channel: 'level', column: 'value' }] } : one,
  );
  serve(server, {
    '/api/bench/rounds/{id}': round([unit('X'), unit('Y')]),
    '/api/bench/drafts/{id}': () => fed,
  });
  showAt('/bench/rounds/:id', '/bench/rounds/r1', <RoundView />);
  const level = {
    channel: 'level',
    in: 'dB',
    value: '114.2',
    steady: true,
    isJudged: true,
    words: 'stands still',
    points: [],
  };
  server.POST.mockImplementation((path: string) =>
    Promise.resolve({
      data: path.endsWith('/source')
        ? {
            now: new Date().toISOString(),
            simulated: true,
            every: 10,
            channels: [level],
            others: [],
            unread: { count: 0, last: [] },
            refusals: [],
          }
        : {
            ...fed,
            version: 4,
            answers: {
              ...chosen,
              asFound: [{ value: '114.2', provenance: 'simulated', line: 'F-00001:9' }],
            },
          },
      response: new Response(),
    }),
  );
  await screen.findByText('stands still');
  fireEvent.keyDown(document.body, { key: 't' });
  await screen.findByText(/line 9/);
  expect(server.POST.mock.calls.map(([path]) => String(path))).toContain('/api/bench/drafts/{id}/take');
  expect(answers.steps).toEqual({ reference: 'done' });
  // What was taken is asked of no source again.
  expect(screen.queryByRole('region', { name: 'What comes by itself' })).toBeNull();
});

it('says what the row shares before anybody adjusts, and not while one is unread', async () => {
  const shift = { reference: 'A', when: 'now', shared: 0.3, unit: 'dB', units: ['X', 'Y'], own: [] };
  open(round([unit('X', { isRead: true }), unit('Y')], { shift }));
  await screen.findByRole('heading', { name: /Y M, 2 of 2: as found/ });
  expect(screen.queryByText(/Shift shared/)).toBeNull();
});

it('accepts each by itself, as it was seen, and says which was refused and why', async () => {
  const ready = { isRead: true, isSettled: true, adjusted: false, drift: 0.25 };
  open(round([unit('X', ready), unit('Y', { ...ready, version: 7, skipped: ['cap'] })]));
  await screen.findByRole('heading', { name: 'Accept' });
  expect(screen.getByRole('row', { name: /Y/ }).textContent).toContain('cap');
  server.POST.mockImplementationOnce(() =>
    Promise.resolve({ data: { check: 'C-1' }, response: new Response() }),
  );
  server.POST.mockImplementationOnce(() =>
    Promise.resolve({
      error: { type: '', title: '', status: 409, detail: 'It was answered elsewhere.', fields: [] },
      response: new Response(null, { status: 409 }),
    }),
  );
  press(/Accept 2 checks/);
  expect(await screen.findByText(/answered elsewhere/)).toBeTruthy();
  expect(server.POST.mock.calls.map((call) => (call[1] as { body: unknown }).body)).toEqual([
    { version: 3 },
    { version: 7 },
  ]);
  expect(where()).toBe('/bench/rounds/r1');
});
