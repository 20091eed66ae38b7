import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import type { Mock } from 'vitest';
import type { Schemas } from '../api/client';

/** For tests: what stands in the place of the client. */
export interface Server {
  GET: Mock;
  POST: Mock;
  PUT: Mock;
}

type Sent = { params?: { path?: Record<string, string>; query?: Record<string, string> }; body?: unknown };

const good = (data: unknown) => Promise.resolve({ data, response: new Response() });

/** What pages ask for beside what they show, and a test that is not about it need not serve. */
const BESIDE: Record<string, unknown> = {
  '/api/equations': { equations: [] },
  '/api/sources': { fromMemory: [], confirmed: [] },
  '/api/files': { most: 40, files: [] },
  '/api/dates': { over: 0, soon: 0, soonDays: 45, items: [] },
  '/api/unsettled': { runs: [] },
  '/api/first-result': { steps: [], unit: null, run: null, kinds: [], verdict: null },
  '/api/kit/instruments/{id}/word': { entries: [], said: null },
  '/api/kit/references/{id}/word': { entries: [], said: null },
};

/** What is asked for by path, and what every change is answered with. */
export function serve(server: Server, answers: Record<string, unknown>, changed: unknown = {}): void {
  server.GET.mockImplementation((path: string, sent?: Sent) => {
    const found = answers[path] ?? BESIDE[path];
    return good(typeof found === 'function' ? (found as (sent?: Sent) => unknown)(sent) : found);
  });
  server.POST.mockImplementation(() => good(changed));
  server.PUT.mockImplementation(() => good(changed));
}

/** The next change is refused, naming fields. */
export function refuse(
  change: Mock,
  detail: string,
  fields: Record<string, string> = {},
  status = 422,
): void {
  change.mockImplementationOnce(() =>
    Promise.resolve({
      error: {
        type: 'about:blank',
        title: 'Not taken',
        status,
        detail,
        fields: Object.entries(fields).map(([field, problem]) => ({ field, problem })),
      },
      response: new Response(null, { status }),
    }),
  );
}

/** What the last change was sent with. */
export const sent = (change: Mock): { path: string } & Sent => {
  const [path, rest] = (change.mock.lastCall ?? []) as [string, Sent | undefined];
  return { path, ...rest };
};

const Where = () => <span data-testid="where">{useLocation().pathname + useLocation().search}</span>;

/** Where the router stands. */
export const where = () => screen.getByTestId('where').textContent;

/** A view at its address, with nothing asked for before. */
export const showAt = (pattern: string, at: string, view: React.ReactNode) =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={[at]}>
        <Routes>
          <Route path={pattern} element={view} />
          <Route path="*" element={null} />
        </Routes>
        <Where />
      </MemoryRouter>
    </QueryClientProvider>,
  );

export const show = (view: React.ReactNode) => showAt('/', '/', view);

export const type = (label: RegExp | string, value: string, place = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[place] as HTMLElement, { target: { value } });

/** What stands in a field. */
export const valueOf = (label: RegExp | string) => screen.getByLabelText<HTMLInputElement>(label).value;

export const row = (name: RegExp) => screen.getByRole('row', { name });

export const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

export const pick = (label: RegExp | string, option: RegExp | string) => {
  fireEvent.mouseDown(screen.getAllByRole('combobox', { name: label })[0] as HTMLElement);
  fireEvent.click(within(screen.getByRole('listbox')).getByText(option));
};

const person = (role: Schemas['Role'], code: string) => ({
  user: { name: role as string, code, roles: [{ role, may: 'do what it says' }] },
  zone: 'Europe/London',
});
export const technician = person('technician', 'T-1');
export const hygienist = person('hygienist', 'H-1');
export const steward = person('steward', 'S-1');
export const reader = person('reader', 'R-1');
