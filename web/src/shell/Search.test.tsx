import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { serve, type Server, showAt, where } from '../tests/served';
import { Search } from './Search';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const found = [
  { kind: 'instrument', id: 'DM-1', words: 'Wren 2' },
  { kind: 'reference', id: 'AC-1', words: 'Fork, certificate DM-1 of County' },
  { kind: 'person', id: 'W-1 & Co', words: '' },
];

it('opens the nearest by Enter, and never what was looked for before', async () => {
  let late: (value: unknown) => void = () => undefined;
  serve(server, {
    '/api/search': ({ params }: { params: { query: { text: string } } }) =>
      params.query.text === 'dm-1' ? { found } : new Promise((answered) => (late = answered)),
  });
  const onClose = vi.fn();
  showAt('/', '/', <Search onClose={onClose} />);
  const field = screen.getByRole('combobox', { name: 'Search' });
  fireEvent.change(field, { target: { value: 'dm-1' } });
  await screen.findByRole('option', { name: /AC-1 Fork, certificate DM-1 of County.*reference/ });
  screen.getByRole('option', { name: /Results with “dm-1”/ });
  // Typed on: until the answer is there nothing is offered, and Enter goes nowhere.
  fireEvent.change(field, { target: { value: 'dm-12' } });
  await waitFor(() => expect(screen.queryAllByRole('option')).toEqual([]));
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(where()).toBe('/');
  late({ found: [] });
  fireEvent.change(field, { target: { value: 'dm-1' } });
  await screen.findByRole('option', { name: /^DM-1/ });
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(where()).toBe('/kit/DM-1');
  expect(onClose).toHaveBeenCalledOnce();
});

it('goes to results by what stands in a name, whatever signs it holds', async () => {
  serve(server, { '/api/search': { found } });
  showAt('/', '/', <Search onClose={vi.fn()} />);
  fireEvent.change(screen.getByRole('combobox', { name: 'Search' }), { target: { value: 'w-1' } });
  fireEvent.click(await screen.findByRole('option', { name: /W-1 & Co/ }));
  expect(where()).toBe('/results?person=W-1%20%26%20Co');
});
