import { cleanup, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { forms, kit } from '../tests/kit';
import {
  pick,
  press,
  reader,
  refuse,
  row,
  sent,
  serve,
  showAt,
  steward,
  type,
  valueOf,
} from '../tests/served';
import { ReferenceView } from './ReferenceView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const open = async (who: unknown, id = 'AC-01') => {
  serve(
    server,
    {
      '/api/kit': kit,
      '/api/session': who,
      '/api/kit/forms': forms,
      '/api/kit/references/{id}/trend': { channels: [] },
      '/api/kit/references/{id}/what-if': { asked: [] },
    },
    { asked: { id: 'w-1' } },
  );
  showAt('/references/:id', `/references/${id}`, <ReferenceView />);
  await screen.findByText(/Never yet were three units/);
};

describe('a reference', () => {
  it('shows what its newest certificate says, and every certificate', async () => {
    await open(reader);
    expect(row(/^94 /).textContent).toBe('9494.020.151000');
    expect(screen.getAllByRole('row')).toHaveLength(6);
    screen.getByText(/^old, County/);
    screen.getByText(/Last used .*24 Nov/);
    expect(screen.queryByRole('button', { name: /Add|Recall|interval|use/ })).toBeNull();
    cleanup();
    await open(reader, 'AC-03');
    screen.getByText(/recalled since/);
    screen.getByText(/, serial number/);
    screen.getByText(/Nothing is certified of it yet/);
    cleanup();
    await open(reader, 'CY-01');
    screen.getByText('100 ppm');
    screen.getByText('40 L, 80 min');
  });

  it('says where there is none of that name', async () => {
    serve(server, { '/api/kit': kit, '/api/session': reader });
    showAt('/references/:id', '/references/X-1', <ReferenceView />);
    await screen.findByText(/There is no reference X-1/);
  });

  it('adds a certificate with its table, and recalls, as a steward only', async () => {
    await open(steward);
    press('Add certificate');
    await screen.findByRole('dialog');
    type(/^Certificate number/, 'F-9');
    type(/^Laboratory/, 'County');
    type(/^Issued/, '2026-11-01');
    type(/^Due/, '2027-11-01');
    type(/^Level/, '114');
    type(/^Certified/, '114,03');
    press(/^Add/);
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).params?.path).toMatchObject({ id: 'AC-01' });
    expect(sent(server.POST).body).toMatchObject({
      number: 'F-9',
      values: [{ nominal: '114', certified: '114.03' }],
    });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    press('Recall');
    type(/^Not to be trusted since/, '2026-11-18T00:00');
    type(/^What was found/, 'came back 0.3 dB low');
    type(/^Found wrong on/, '2026-11-24T00:00');
    pick(/^How far it was off/, 'is known');
    type(/^True value less the certified one, dB/, '-0,3');
    press('See what it would change');
    await waitFor(() => expect(sent(server.POST).path).toBe('/api/kit/references/{id}/what-if'));
    expect(sent(server.POST).body).toMatchObject({ reason: 'came back 0.3 dB low', error: '-0,3' });
    expect((sent(server.POST).body as { until: string }).until).toMatch(/^2026-11-2[34]T/);
  });

  it('recalls without a number where nobody knows it, and where nothing could be taken out', async () => {
    await open(steward);
    press('Recall');
    type(/^Not to be trusted since/, '2026-11-18T00:00');
    type(/^What was found/, 'it rattles');
    pick(/^How far it was off/, 'is not known');
    expect(screen.getByText(/No limit of a result that used it/)).toBeTruthy();
    refuse(server.POST, 'Nothing was kept.', { '/since': 'lies in the future.' });
    press('See what it would change');
    expect(await screen.findByText('lies in the future.')).toBeTruthy();
    expect(valueOf(/^What was found/)).toBe('it rattles');
    expect(sent(server.POST).body).toMatchObject({ error: null });
    press('Cancel');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    cleanup();
    await open(steward, 'CY-01');
    press('Recall');
    expect(screen.getByRole('combobox', { name: /^How far it was off/ }).textContent).toBe('is not known');
  });

  it('sets how often a laboratory is to see a reference', async () => {
    await open(steward);
    press('Set an interval');
    await screen.findByRole('dialog');
    type(/^Every/, '6');
    type(/^Source/, 'the manual');
    press('Set the interval');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/references/{id}/intervals',
      params: { path: { id: 'AC-01' } },
      body: { every: '6', unit: 'months' },
    });
  });
});
