import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { page } from '../tests/pages';
import { Decide, type Deciding } from './Decide';

const server = vi.hoisted(() => ({ POST: vi.fn() }));

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const decision: Schemas['Decision'] = {
  id: 7,
  kind: 'sign',
  verdict: 'valid',
  proposed: 'valid',
  reason: '',
  policy: 'standard-1',
  digest: 'old',
  snapshotDigest: 'x',
  by: 'H-1',
  covers: [],
  waiting: [],
  at: '2026-11-18T17:00:00+00:00',
};

const closed = vi.fn();

beforeEach(() => {
  server.POST.mockResolvedValue({ data: {}, response: new Response() });
});

const dialog = (kind: Deciding, decisions: Schemas['Decision'][]) => (
  <QueryClientProvider client={new QueryClient()}>
    <Decide
      page={page({ run: 'R-1' }, { decisions, run: { ...page({}).run, id: 'R-1' } })}
      kind={kind}
      onClose={closed}
    />
  </QueryClientProvider>
);

const ask = (kind: Deciding, decisions: Schemas['Decision'][] = []) => render(dialog(kind, decisions));

const reason = () => screen.getByRole<HTMLTextAreaElement>('textbox', { name: /Reason/ });

it('signs with what was seen, and asks for no reason the first time', async () => {
  ask('sign');
  expect(reason().required).toBe(false);
  fireEvent.click(screen.getByRole('button', { name: 'Sign as valid' }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(server.POST).toHaveBeenCalledWith('/api/results/{run}/decision', {
    params: { path: { run: 'R-1' } },
    body: { kind: 'sign', digest: 'seen', reason: '', after: null },
  });
});

it('asks why where it supersedes, and names what it supersedes', async () => {
  ask('sign', [decision]);
  expect(reason().required).toBe(true);
  expect(screen.getByText(/supersedes the decision before/)).toBeTruthy();
  fireEvent.change(reason(), { target: { value: 'a stretch was left out' } });
  fireEvent.click(screen.getByRole('button', { name: 'Sign as valid' }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(server.POST.mock.calls[0]?.[1]).toMatchObject({
    body: { after: 7, reason: 'a stretch was left out' },
  });
});

it('voids only with a reason', () => {
  ask('void');
  expect(reason().required).toBe(true);
  expect(screen.getByText(/both shown ever after/)).toBeTruthy();
});

it('keeps the reason when somebody was faster', async () => {
  server.POST.mockResolvedValue({
    error: { type: '', title: '', status: 409, detail: 'H-2 has decided this result meanwhile.', fields: [] },
    response: new Response(null, { status: 409 }),
  });
  ask('void');
  fireEvent.change(reason(), { target: { value: 'it fell' } });
  fireEvent.click(screen.getByRole('button', { name: 'Void this result' }));
  await screen.findByText('H-2 has decided this result meanwhile.');
  expect(reason().value).toBe('it fell');
  expect(closed).not.toHaveBeenCalled();
});

it('does not take as seen what came in behind the open dialog', async () => {
  const { rerender } = ask('void');
  fireEvent.change(reason(), { target: { value: 'it fell' } });
  rerender(dialog('void', [decision]));
  fireEvent.click(screen.getByRole('button', { name: 'Void this result' }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(server.POST.mock.calls[0]?.[1]).toMatchObject({ body: { after: null, reason: 'it fell' } });
});

it('offers every verdict but the proposal, and never open, to overrule', () => {
  ask('overrule');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: /Verdict/ }));
  expect(screen.getAllByRole('option').map((option) => option.textContent)).toEqual([
    'corrected',
    'qualified',
    'void',
  ]);
});
