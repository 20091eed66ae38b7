import { QueryObserver } from '@tanstack/react-query';
import { beforeEach, expect, test, vi } from 'vitest';
import { queries } from '../api/client';
import { forget, keep, keepOnlyOf, restore } from './kept';
import { shelves } from './store';

const day = { queryKey: ['day', null], queryFn: () => ({ runs: ['now'] }), staleTime: 60_000 };

beforeEach(() => queries.clear());

test('what was seen a moment ago is shown again, and still asked for again', async () => {
  queries.setQueryData(['session'], { zone: 'Europe/Berlin', user: { code: 'T-1' } });
  queries.setQueryData(day.queryKey, { runs: ['before'] });
  queries.setQueryData(['typed'], 'what is kept elsewhere');
  await keep();
  queries.clear();
  await restore();
  expect(queries.getQueryData(day.queryKey)).toEqual({ runs: ['before'] });
  expect(queries.getQueryData(['typed'])).toBeUndefined();
  // A page that is opened again asks, however young what it shows is.
  expect(await queries.query(day)).toEqual({ runs: ['now'] });
  expect(queries.getQueryState(['session'])?.isInvalidated).toBe(true);
});

test('whoever left leaves nothing to be shown', async () => {
  queries.setQueryData(['session'], { zone: null, user: { code: 'T-1' } });
  queries.setQueryData(day.queryKey, { runs: ['before'] });
  await keep();
  await forget();
  await restore();
  expect(queries.getQueryData(day.queryKey)).toBeUndefined();
});

test('what another saw is gone, and what is on the screen is asked for anew', async () => {
  queries.setQueryData(['session'], { zone: null, user: { code: 'T-1' } });
  queries.setQueryData(day.queryKey, { runs: ['seen by T-1'] });
  queries.setQueryData(['kit'], 'seen by T-1');
  await keep();
  const looked: unknown[] = [];
  const watched = new QueryObserver(queries, day);
  const stop = watched.subscribe(({ data }) => looked.push(data));
  await keepOnlyOf('H-1');
  await vi.waitFor(() => expect(looked.at(-1)).toEqual({ runs: ['now'] }));
  expect(queries.getQueryData(['kit'])).toBeUndefined();
  expect(await (await shelves()).get('kept', 'kept')).toBeUndefined();
  stop();
});

test('whose session ran out leaves nothing to whoever signs in next', async () => {
  queries.setQueryData(['session'], { zone: null, user: { code: 'T-1' } });
  queries.setQueryData(['kit'], 'seen by T-1');
  await keep();
  queries.setQueryData(['session'], { zone: null, user: null });
  await keepOnlyOf('H-1');
  await vi.waitFor(() => expect(queries.getQueryData(['kit'])).toBeUndefined());
  await vi.waitFor(async () => expect(await (await shelves()).get('kept', 'kept')).toBeUndefined());
  queries.setQueryData(['kit'], 'seen by H-1');
  queries.setQueryData(['session'], { zone: null, user: { code: 'H-1' } });
  await keep();
  await keepOnlyOf('H-1');
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(queries.getQueryData(['kit'])).toBe('seen by H-1');
});
