import { QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { beforeEach, expect, it, vi } from 'vitest';
import { queries } from '../api/client';
import { useJournal } from '../api/hooks';
import { press, serve, type Server, steward, type } from '../tests/served';
import { Shell } from './Shell';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const nobody = { zone: null, user: null };
const Page = () => <p>{useJournal({}).data ? 'A page' : 'Nothing yet'}</p>;

const open = () =>
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <Routes>
          <Route element={<Shell />}>
            <Route path="/" element={<Page />} />
          </Route>
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );

/** Answers that have not come yet, to be let go one by one. */
const slow = (answers: Record<string, unknown>) => {
  const waiting = new Map<string, () => void>();
  server.GET.mockImplementation(
    (path: string) =>
      new Promise((take) => waiting.set(path, () => take({ data: answers[path], response: new Response() }))),
  );
  return { come: (path: string) => waiting.get(path)?.() };
};

beforeEach(() => queries.clear());

it('keeps what is typed into the sign-in form, however late the page that was left is answered', async () => {
  serve(server, { '/api/session': steward, '/api/journal': {} });
  open();
  await screen.findByText('A page');
  const late = slow({ '/api/session': nobody, '/api/journal': {} });
  press('Sign out');
  await waitFor(() => expect(server.POST).toHaveBeenCalledWith('/api/session/end'));
  late.come('/api/session');
  await screen.findByRole('button', { name: 'Sign in' });
  type(/^Name/, 'newcomer');
  late.come('/api/journal');
  await new Promise((done) => window.setTimeout(done, 50));
  expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe('newcomer');
  expect(queries.getQueryData(['journal', {}])).toBeUndefined();
});

it('keeps what is typed while a server that was not reached is asked once more', async () => {
  server.GET.mockImplementation(() => Promise.reject(new Error('no network')));
  open();
  await screen.findByRole('button', { name: 'Sign in' });
  type(/^Name/, 'newcomer');
  const late = slow({ '/api/session': nobody });
  fireEvent.focus(window);
  void queries.refetchQueries({ queryKey: ['session'] });
  await new Promise((done) => window.setTimeout(done, 50));
  expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe('newcomer');
  late.come('/api/session');
  await new Promise((done) => window.setTimeout(done, 50));
  expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe('newcomer');
});
