import { fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { serve, type Server, show } from '../tests/served';
import { Files } from './Files';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const file = (id: string, more: object = {}) => ({
  id,
  name: `${id}.jpg`,
  type: 'image/jpeg',
  place: '',
  note: '',
  removed: [],
  printed: null,
  sha256: 'a',
  size: 1,
  by: 'T-1',
  at: '2026-11-18T07:00:00+00:00',
  ...more,
});
const all = [
  file('F-1', { removed: ['place, time and device'], place: 'asFound/0' }),
  file('F-3', { type: 'text/plain', name: 'lines.txt', printed: 'as they came through the port' }),
  file('F-2', { type: 'application/pdf', name: 'cert.pdf', note: 'the paper' }),
];

beforeEach(() => serve(server, { '/api/files': { most: 2, files: all.slice(0, 1) } }));
afterEach(() => vi.unstubAllGlobals());

it('says of each what was taken out of it, and of a document that nothing was', async () => {
  serve(server, { '/api/files': { most: 2, files: all } });
  show(<Files of="run" id="R-1" adds placeOf={() => 'As found, 1'} />);
  expect(await screen.findByText(/of As found, 1/)).toBeTruthy();
  expect(screen.getByText(/as they came through the port, byte for byte/)).toBeTruthy();
  expect(screen.getByText(/without place, time and device/)).toBeTruthy();
  expect(screen.getByText(/what it tells of its maker is still in it/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'cert.pdf' }).getAttribute('href')).toBe('/api/files/F-2');
  fireEvent.click(screen.getByRole('button', { name: 'Larger: F-1.jpg' }));
  expect(screen.getByRole('button', { name: 'Smaller: F-1.jpg' })).toBeTruthy();
  // As many as it may have: none is added.
  expect(screen.queryByLabelText('Take a photo')).toBeNull();
});

it('sends a photo as it is, and says why one was refused', async () => {
  const fetched = vi.fn(() =>
    Promise.resolve(new Response(JSON.stringify({ detail: 'It breaks off.' }), { status: 422 })),
  );
  vi.stubGlobal('fetch', fetched);
  show(<Files of="run" id="R-1" adds />);
  fireEvent.change(await screen.findByLabelText('Take a photo'), {
    target: { files: [new File(['x'], 'a b.jpg', { type: 'image/jpeg' })] },
  });
  expect(await screen.findByText('It breaks off.')).toBeTruthy();
  await waitFor(() => expect(fetched).toHaveBeenCalled());
  const [path, sent] = fetched.mock.lastCall as unknown as [string, { headers: Record<string, string> }];
  expect(path).toBe('/api/files?of=run&id=R-1');
  expect(sent.headers['Content-Type']).toBe('image/jpeg');
  expect(JSON.parse(decodeURIComponent(sent.headers['X-File'] ?? ''))).toEqual({
    name: 'a b.jpg',
    place: '',
  });
});

it('offers nothing to whoever only reads', async () => {
  serve(server, { '/api/files': { most: 2, files: [] } });
  show(<Files of="run" id="R-1" adds={false} />);
  expect(await screen.findByText('None.')).toBeTruthy();
  expect(screen.queryByLabelText('Add a file')).toBeNull();
});
