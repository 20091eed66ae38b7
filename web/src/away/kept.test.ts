import { expect, test } from 'vitest';
import { queries } from '../api/client';
import { forget, keep, restore } from './kept';

const day = { queryKey: ['day', null], queryFn: () => ({ runs: ['now'] }), staleTime: 60_000 };

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
