import { screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { entry } from '../tests/fixtures';
import { press, refuse, sent, serve, show, type, valueOf } from '../tests/served';
import { SampleView } from './SampleView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const figure = {
  id: 'f1',
  symbol: 'V_min',
  meaning: 'least volume',
  value: '200',
  floor: null,
  shown: '200',
  unit: 'L',
  equation: null,
  inputs: [],
  origin: null,
};
const plan = (usable: boolean) => ({
  usable,
  words: [usable ? 'It can be done.' : 'It cannot be done.', 'Two tubes in a row.'],
  lines: [{ figure: 'f1', meaning: 'least volume', symbol: 'V_min', shown: '200', unit: 'L' }],
  figures: [figure],
});

const open = async (usable = true) => {
  serve(
    server,
    {
      '/api/plan': {
        entries: [
          entry('limit', 'decimal', { label: 'Exposure limit', required: true }),
          entry('flow', 'decimal', { label: 'Flow', required: true }),
          entry('share', 'decimal', { label: 'Share' }),
        ],
      },
    },
    plan(usable),
  );
  show(<SampleView />);
  await screen.findByLabelText(/^Exposure limit/);
};

it('says what is still wanted, and works it out when it is there', async () => {
  await open();
  const work = screen.getByRole<HTMLButtonElement>('button', { name: 'Work it out' });
  expect(work.disabled).toBe(true);
  expect(screen.getByText('Still wanted: Exposure limit.')).toBeTruthy();
  type(/^Exposure limit/, '2');
  expect(screen.getByText('Still wanted: Flow.')).toBeTruthy();
  type(/^Flow/, '2,0');
  press('Work it out');
  expect(await screen.findByText(/It can be done/)).toBeTruthy();
  expect(screen.getByText('Two tubes in a row.')).toBeTruthy();
  expect(screen.getAllByText('200', { selector: 'b' }).length).toBeGreaterThan(0);
  expect(sent(server.POST).body).toEqual({ limit: '2', flow: '2,0', share: '0.1' });
});

it('says that it cannot be done by ink and sign, and names a field that was refused', async () => {
  await open(false);
  type(/^Exposure limit/, '2');
  type(/^Flow/, 'much');
  refuse(server.POST, 'Nothing was worked out.', { '/flow': 'is no number.' });
  press('Work it out');
  expect(await screen.findByText('is no number.')).toBeTruthy();
  expect(valueOf(/^Flow/)).toBe('much');
  press('Work it out');
  await waitFor(() => expect(screen.getByText(/It cannot be done/).textContent).toContain('✕'));
});
