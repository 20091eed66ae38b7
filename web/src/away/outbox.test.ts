import { beforeEach, expect, test, vi } from 'vitest';
import type { Problem } from '../api/client';
import { bringBeside, breakOffInstead, bringAsItsOwn, correct, meanwhile, saysTheTime } from './decisions';
import { deliver, letGo, resolved, wait } from './outbox';
import { shelves, type AwayCheck, type Waiting } from './store';
import { bringing } from './checks';

const check: AwayCheck = {
  id: 'away-1',
  person: 'T-1',
  instrument: 'DM-01',
  procedure: 'acoustic-check',
  sheets: [],
  begun: '2026-03-02T08:05:00.000Z',
  from: null,
  answers: { asFound: [{ value: '114.1' }], at: '2026-03-02T08:06:00.000Z' },
  request: 'c0ffee',
  heard: { server: '2026-03-02T07:59:00.000Z', device: '2026-03-02T07:59:01.000Z' },
  closed: 'accepted',
};
const acceptance = {
  person: 'T-1',
  kind: 'acceptance' as const,
  about: 'DM-01',
  words: 'its acceptance',
  path: '/api/bench/drafts/{=c0ffee.id}/accept',
  body: { version: '{=c0ffee.version}' },
  after: ['c0ffee'],
};
const photo = {
  person: 'T-1',
  kind: 'photo' as const,
  about: 'DM-01',
  words: 'a photo',
  path: '/api/files?of=draft&id={=c0ffee.id}',
  file: { blob: new Blob(['x'], { type: 'image/png' }), name: 'd.png', place: '' },
  after: ['c0ffee'],
};

const problem = (status: number, fields: Record<string, string> = {}, type = 'about:blank'): Problem => ({
  type,
  title: 'Refused',
  status,
  detail: 'Refused.',
  fields: Object.entries(fields).map(([field, said]) => ({ field, problem: said })),
});
const fetched = vi.fn<(path: string, sent: RequestInit) => Promise<Response>>();
const answers = (...all: (object | Problem | null)[]) => {
  for (const one of all) {
    fetched.mockImplementationOnce(() =>
      one === null
        ? Promise.reject(new TypeError('no network'))
        : Promise.resolve(
            new Response(JSON.stringify(one), {
              status: 'status' in one && typeof one.status === 'number' ? one.status : 201,
            }),
          ),
    );
  }
};
const sentTo = () => fetched.mock.calls.map(([path]) => path);
const bodyOf = (place: number): Record<string, unknown> =>
  JSON.parse(fetched.mock.calls[place]?.[1].body as string) as Record<string, unknown>;
const headerOf = (place: number, name: string) =>
  (fetched.mock.calls[place]?.[1].headers as Record<string, string>)[name];
const outbox = async () => (await shelves()).getAll('outbox');
const first = async (): Promise<Waiting> => {
  const one = (await outbox())[0];
  if (!one) {
    throw new Error('Nothing waits.');
  }
  return one;
};

beforeEach(async () => {
  const db = await shelves();
  for (const name of ['checks', 'outbox', 'made', 'prepared', 'kept'] as const) {
    await db.clear(name);
  }
  fetched.mockReset();
  vi.stubGlobal('fetch', fetched);
});

test('what one request made stands in the place of references to it, a number as a number', () => {
  const made = new Map([['c0ffee', { id: '01J', version: 3 }]]);
  expect(
    resolved(
      { path: '/drafts/{=c0ffee.id}/accept', version: '{=c0ffee.version}', of: ['{=dead.id}', 1] },
      made,
    ),
  ).toEqual({ path: '/drafts/01J/accept', version: 3, of: ['{=dead.id}', 1] });
});

test('a check is brought, then its photo, then its acceptance, whatever was put in first', async () => {
  await (await shelves()).put('checks', check);
  const picture = await wait(photo);
  await wait(bringing(check));
  await wait({ ...acceptance, after: ['c0ffee', picture.request] });
  answers({ id: '01J', version: 3 }, { id: 'F-1' }, { check: 'C-7' });
  await deliver('T-1');
  expect(sentTo()).toEqual(['/api/bench/away', '/api/files?of=draft&id=01J', '/api/bench/drafts/01J/accept']);
  expect(bodyOf(0)).toMatchObject({
    instrument: 'DM-01',
    begun: check.begun,
    answers: check.answers,
    seen: [],
  });
  expect(headerOf(0, 'X-Request-Id')).toBe('c0ffee');
  const clock = JSON.parse(decodeURIComponent(headerOf(0, 'X-Device-Clock') ?? '')) as object;
  expect(clock).toMatchObject({ heard: check.heard, why: '' });
  expect(bodyOf(2)).toEqual({ version: 3 });
  expect(headerOf(2, 'X-Device-Clock')).toBeUndefined();
  expect(await outbox()).toEqual([]);
  expect(await (await shelves()).getAll('checks')).toEqual([]);
});

test('where the network goes once more nothing is lost, and the same request is sent again', async () => {
  await (await shelves()).put('checks', check);
  await wait(bringing(check));
  await wait(acceptance);
  answers({ id: '01J', version: 3 }, null);
  await deliver('T-1');
  expect((await outbox()).map((one) => one.kind)).toEqual(['acceptance']);
  // The answer was lost: the server says that it has it.
  answers({ ...problem(409, {}, 'urn:footnote:kept-already'), made: 'C-7' });
  await deliver('T-1');
  expect(headerOf(2, 'X-Request-Id')).toBe(headerOf(1, 'X-Request-Id'));
  expect(await outbox()).toEqual([]);
});

test('what is refused holds up what is of the same unit, and nothing else', async () => {
  await (await shelves()).put('checks', check);
  await wait(bringing(check));
  await wait(acceptance);
  await wait({ person: 'T-1', kind: 'run', about: 'DM-01', words: 'a run', path: '/api/runs', body: {} });
  await wait({ person: 'T-1', kind: 'run', about: 'PM-01', words: 'a run', path: '/api/runs', body: {} });
  answers(problem(409, { '/seen/C-9': 'check of H-1' }), { id: 'R-2' });
  await deliver('T-1');
  expect(sentTo()).toEqual(['/api/bench/away', '/api/runs']);
  expect((await outbox()).map((one) => [one.about, one.refused !== null])).toEqual([
    ['DM-01', true],
    ['DM-01', false],
    ['DM-01', false],
  ]);
});

test('nobody sends what is another person’s', async () => {
  await wait({ person: 'T-1', kind: 'run', about: 'DM-01', words: 'a run', path: '/api/runs', body: {} });
  await deliver('H-1');
  expect(fetched).not.toHaveBeenCalled();
  expect(await outbox()).toHaveLength(1);
});

test('a server that is busy, or a session that has ended, refuses nothing', async () => {
  await wait({ person: 'T-1', kind: 'run', about: 'DM-01', words: 'a run', path: '/api/runs', body: {} });
  for (const status of [500, 401, 429]) {
    answers(problem(status));
    await deliver('T-1');
    expect((await first()).refused).toBeNull();
  }
});

test('what others did is looked at, and both stand', async () => {
  await (await shelves()).put('checks', check);
  await wait(bringing(check));
  answers(problem(409, { '/seen/C-9': 'check of H-1', '/seen/R-3': 'run of H-1' }));
  await deliver('T-1');
  expect(meanwhile(await first()).map((one) => one.id)).toEqual(['C-9', 'R-3']);
  await bringBeside(await first());
  answers({ id: '01J', version: 3 });
  await deliver('T-1');
  expect(bodyOf(1)['seen']).toEqual(['C-9', 'R-3']);
});

test('a check that went on with another is brought as its own, or broken off with its reason', async () => {
  const from = { id: '01A', version: 2 } as unknown as AwayCheck['from'];
  await (await shelves()).put('checks', { ...check, from });
  await wait(bringing(check));
  await wait(acceptance);
  answers(problem(409, { '/draft': 'was accepted' }));
  await deliver('T-1');
  expect(bodyOf(0)).toMatchObject({ draft: '01A', version: 2 });
  await bringAsItsOwn(await first());
  answers(problem(409, { '/seen/C-9': 'check of H-1' }));
  await deliver('T-1');
  expect(bodyOf(1)['draft']).toBeUndefined();
  await breakOffInstead(await first(), 'hers is the better one');
  answers({ id: '01J', version: 3 }, { check: 'C-10' });
  await deliver('T-1');
  expect(sentTo().slice(2)).toEqual(['/api/bench/away', '/api/bench/drafts/01J/break-off']);
  expect(bodyOf(3)).toEqual({ version: 3, reason: 'hers is the better one' });
  expect(await outbox()).toEqual([]);
});

test('a clock that was off: the moment is said by a person, and why', async () => {
  await (await shelves()).put('checks', check);
  await wait(bringing(check));
  answers(problem(409, { '/clock': 'of this device is 1 h behind now.' }));
  await deliver('T-1');
  await saysTheTime(await first(), 'by the wall clock', '2026-03-02T09:06:00+00:00');
  answers({ id: '01J', version: 3 });
  await deliver('T-1');
  expect(bodyOf(1)['answers']).toMatchObject({ at: '2026-03-02T09:06:00+00:00' });
  expect(decodeURIComponent(headerOf(1, 'X-Device-Clock') ?? '')).toContain('by the wall clock');
});

test('a run that was refused is sent again with what was wanted', async () => {
  await wait({
    person: 'T-1',
    kind: 'run',
    about: 'DM-01',
    words: 'a run',
    path: '/api/runs',
    body: { person: 'W-1' },
  });
  answers(problem(422, { '/despite': 'says why it goes out' }));
  await deliver('T-1');
  await correct(await first(), { '/despite': 'no other was there' });
  answers({ id: 'R-2' });
  await deliver('T-1');
  expect(bodyOf(1)).toEqual({ person: 'W-1', despite: 'no other was there' });
  expect(headerOf(1, 'X-Request-Id')).toBe(headerOf(0, 'X-Request-Id'));
});

test('a photo that was let go is waited for no more', async () => {
  await (await shelves()).put('checks', check);
  const picture = await wait(photo);
  await wait(bringing(check));
  await wait({ ...acceptance, after: ['c0ffee', picture.request] });
  answers({ id: '01J', version: 3 }, problem(422, { '/file': 'is no picture' }));
  await deliver('T-1');
  expect((await outbox()).map((one) => [one.kind, one.refused !== null])).toEqual([
    ['photo', true],
    ['acceptance', false],
  ]);
  await letGo(await first());
  answers({ check: 'C-7' });
  await deliver('T-1');
  expect(await outbox()).toEqual([]);
});

test('what belongs to something that is gone is refused, so that a person sees it', async () => {
  await wait(acceptance);
  await deliver('T-1');
  expect(fetched).not.toHaveBeenCalled();
  expect((await first()).refused?.detail).toMatch(/not there any more/);
});
