import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { LogPicture } from './LogPicture';

const server = vi.hoisted(() => ({ GET: vi.fn() }));

vi.mock('../../api/client', async (original) => ({
  ...(await original<typeof import('../../api/client')>()),
  api: server,
}));

const channel = (name: string, more: Partial<Schemas['GasChannel']> = {}): Schemas['GasChannel'] => ({
  channel: name,
  senses: 'carbon monoxide',
  unit: 'ppm',
  substance: null,
  lamp: null,
  factor: null,
  undone: null,
  response: [],
  drifts: [],
  testGas: [],
  leftOut: [],
  hollow: null,
  ...more,
});

const page = (family: unknown, headline: string | null): Schemas['ResultPage'] =>
  ({
    run: { id: 'G-1' },
    campaign: { zone: 'Europe/London' },
    assessment: { family, headline, results: [{ key: 'twa-ppm:toluene', channel: 'PID' }] },
  }) as unknown as Schemas['ResultPage'];

const five = {
  kind: 'gas',
  log: { start: '2026-11-20T08:00:00+00:00', stepSeconds: 10, length: 1000 },
  alarms: 3,
  channels: [
    channel('CO', { leftOut: [{ from: '2026-11-20T09:00:00+00:00', to: '2026-11-20T09:10:00+00:00' }] }),
    channel('PID', {
      substance: 'toluene',
      lamp: '10.6',
      response: [
        {
          at: '2026-11-20T08:00:00+00:00',
          check: 'M-1',
          end: 'as left',
          assumed: false,
          zero: 'f1',
          gain: 'f2',
        },
      ],
    }),
  ],
};

const show = (of: Schemas['ResultPage']) =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <LogPicture page={of} />
    </QueryClientProvider>,
  );

beforeEach(() => {
  server.GET.mockImplementation((_: string, asked: { params: { query: { channel: string } } }) =>
    Promise.resolve({
      data: {
        channel: asked.params.query.channel,
        unit: 'ppm',
        start: '2026-11-20T08:00:00+00:00',
        stepSeconds: 10,
        logged: Array.from({ length: 1000 }, (_unused, i) => (i === 500 ? null : 1000 * (i % 40))),
        corrected:
          asked.params.query.channel === 'CO'
            ? null
            : Array.from({ length: 1000 }, (_unused, i) => 1050 * (i % 40)),
        limits: [
          { title: 'toluene 50', value: 50 },
          { title: 'a thousand', value: 1000 },
        ],
      },
      response: new Response(null, { status: 200 }),
    }),
  );
});
it('begins with the channel of the headline and says what is drawn', async () => {
  show(page(five, 'twa-ppm:toluene'));
  const picture = await screen.findByRole('img', {
    name: /^Log of PID from 08:00 to 10:46, highest 41.0 ppm/,
  });
  expect(picture.querySelectorAll('path[stroke-dasharray="5 3"]')).toHaveLength(1);
  expect(screen.getByText('toluene 50 ppm')).toBeTruthy();
  expect(screen.queryByText(/a thousand/), 'a limit far above would flatten the log').toBeNull();
  expect(screen.getByText(/black: with the response of each moment taken out/)).toBeTruthy();
  expect(screen.getByText(/toluene, lamp 10.6 eV/).textContent).toContain('alarm marked in 3 intervals');
});

it('shows another channel, its stretches left out, and no corrected line where no check shows a response', async () => {
  show(page(five, 'twa-ppm:toluene'));
  fireEvent.click(await screen.findByRole('button', { name: 'CO' }));
  const picture = await screen.findByRole('img', { name: /^Log of CO/ });
  expect(picture.querySelectorAll('rect')).toHaveLength(1);
  expect(screen.getByText(/Grey: as indicated; shaded: not in the sums/)).toBeTruthy();
});

it('zooms and moves by keys and by buttons, and never out of the log', async () => {
  show(page(five, 'twa-ppm:toluene'));
  const picture = () => screen.getByRole('img', { name: /^Log of PID/ });
  await screen.findByRole('img', { name: /^Log of PID/ });
  const span = () => /from (\S+) to (\S+),/.exec(picture().getAttribute('aria-label') ?? '')?.slice(1);
  expect(screen.getByRole('button', { name: 'Whole log' })).toHaveProperty('disabled', true);
  fireEvent.keyDown(picture(), { key: '+' });
  expect(span()).toEqual(['08:41', '10:05']);
  fireEvent.keyDown(picture(), { key: 'ArrowLeft' });
  expect(span()).toEqual(['08:25', '09:48']);
  for (let i = 0; i < 9; i++) {
    fireEvent.click(screen.getByRole('button', { name: '← earlier' }));
  }
  expect(span()?.[0]).toBe('08:00');
  for (let i = 0; i < 9; i++) {
    fireEvent.click(screen.getByRole('button', { name: 'Wider' }));
  }
  expect(span()).toEqual(['08:00', '10:46']);
  fireEvent.click(screen.getByRole('button', { name: 'Closer' }));
  fireEvent.click(screen.getByRole('button', { name: 'Whole log' }));
  await waitFor(() => expect(span()).toEqual(['08:00', '10:46']));
});

it('draws nothing for a run without a log or of another family', () => {
  const { container } = show(page({ ...five, log: null }, null));
  expect(container.textContent).toBe('');
  expect(show(page({ kind: 'noise' }, null)).container.textContent).toBe('');
});
