import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { forms, kit, library } from '../tests/kit';
import {
  pick,
  press,
  reader,
  refuse,
  sent,
  serve,
  show,
  steward,
  technician,
  type,
  valueOf,
  where,
  row,
} from '../tests/served';
import { KitView } from './KitView';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const open = async (who: unknown, what: unknown = kit) => {
  serve(
    server,
    {
      '/api/kit': what,
      '/api/session': who,
      '/api/kit/forms': forms,
      '/api/kit/library': library,
      '/api/kit/references/{id}/what-if': { asked: [] },
    },
    { asked: { id: 'w-1' } },
  );
  show(<KitView />);
  await screen.findByRole('heading', { name: /^References/ });
  await screen.findByRole('heading', { name: 'Set-ups of units' });
};

describe('the kit', () => {
  it('shows what is past and soon, what is left, and what was recalled', async () => {
    await open(reader);
    expect(screen.getByRole('link', { name: 'AC-01' }).getAttribute('href')).toBe('/references/AC-01');
    expect(row(/^AC-03/).textContent).toContain('recalled');
    expect(row(/^AC-03/).textContent).toContain(', past');
    expect(row(/^CY-01/).textContent).toContain('Left: 40 L, 80 min');
    expect(row(/^CY-01/).textContent).toContain(', soon');
    expect(row(/^SL-01/).textContent).toContain('sound level meter, class 1');
    expect(row(/^SL-01/).textContent).toContain('interval of 1 year');
    expect(row(/^DM-08/).textContent).toContain('none');
    expect(screen.queryByRole('button', { name: /Register|Add|Recall|interval/ })).toBeNull();
    expect(screen.getByRole('link', { name: 'As a table' }).getAttribute('href')).toBe('/api/kit.csv');
  });

  it('finds by words, kind and state, and keeps the choice in the address', async () => {
    const retired = { at: '2026-11-20T08:00:00+00:00', by: 'S-1', reason: 'dropped' };
    await open(reader, {
      ...kit,
      instruments: [...kit.instruments, { ...kit.instruments[1], id: 'DM-09', retired }],
    });
    expect(screen.queryByRole('row', { name: /^DM-09/ })).toBeNull();
    type('Find', 'wren dosimeter');
    expect(screen.queryByRole('row', { name: /^SL-01/ })).toBeNull();
    row(/^DM-08/);
    screen.getByRole('heading', { name: 'Instruments 1 of 3' });
    expect(where()).toBe('/?text=wren+dosimeter');
    type('Find', '20417');
    row(/^SL-01/);
    type('Find', 'f-2217');
    row(/^AC-01/);
    screen.getByText('No instrument answers this choice.');
    type('Find', '');
    pick(/^What it is/, 'sound level meter');
    expect(screen.queryByRole('row', { name: /^DM-08/ })).toBeNull();
    pick(/^What it is/, 'any');
    press('1 out of use');
    row(/^DM-09/);
    expect(screen.queryByRole('row', { name: /^DM-08/ })).toBeNull();
    pick(/^State/, 'certificate past');
    row(/^AC-03/);
    expect(screen.queryByRole('row', { name: /^AC-01/ })).toBeNull();
  });

  it('says so where there is nothing yet', async () => {
    await open(technician, { references: [], instruments: [] });
    expect(screen.getByText(/No reference yet/)).toBeTruthy();
    expect(screen.getByText('No instrument yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Register a reference' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Register an instrument' })).toBeTruthy();
  });

  it('registers a unit of any family by what that family asks', async () => {
    await open(technician);
    press('Register an instrument');
    await screen.findByRole('dialog');
    type(/^Asset number/, 'SL-09');
    type(/^Model code/, 'Heron 9');
    expect(screen.queryByLabelText(/^Class/)).toBeNull();
    pick(/^Family/, 'sound level meter');
    pick(/^Class/, 'class 1');
    refuse(server.POST, 'Nothing was kept.', { '/id': 'is taken.' });
    press('Register');
    expect(await screen.findByText('is taken.')).toBeTruthy();
    expect(valueOf(/^Model code/)).toBe('Heron 9');
    press('Register');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      path: '/api/kit/instruments',
      body: { id: 'SL-09', model: 'Heron 9', family: 'sound-level-meter', class: '1', certificates: [] },
    });
  });

  it('registers a reference with what its kind lives from', async () => {
    await open(steward);
    press('Register a reference');
    await screen.findByRole('dialog');
    pick(/^Kind/, 'Cylinder of calibration gas');
    type(/^Asset number/, 'CY-09');
    type(/^Model code/, 'mix');
    type('Size', '34');
    type(/^Certificate number/, 'CY-26-9');
    type(/^Laboratory/, 'Gases');
    type(/^Issued/, '2026-01-01');
    type(/^Due/, '2027-01-01');
    type('Accuracy', '2');
    press('Register');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toMatchObject({
      id: 'CY-09',
      kind: 'bottle',
      size: '34',
      certificates: [{ number: 'CY-26-9', accuracy: '2', values: [] }],
    });
  });
});

describe('the library', () => {
  const file = (text: string) =>
    fireEvent.change(screen.getByLabelText('From a file'), {
      target: { files: [new File([text], 'set-up.json')] },
    });

  it('gives an entry as a file, and adds one of its own', async () => {
    await open(technician);
    expect(screen.getByRole('link', { name: 'JSON of Room' }).getAttribute('href')).toBe(
      '/api/kit/library/set-ups/room',
    );
    press('Add a set-up');
    await screen.findByRole('dialog');
    type(/^Code/, 'day');
    type(/^Name/, 'Day');
    type('Log interval', '1');
    refuse(server.POST, 'Nothing was kept.', { '/code': 'this code is taken.' });
    press('Add it');
    expect(await screen.findByText('this code is taken.')).toBeTruthy();
    press('Add it');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent(server.POST)).toMatchObject({
      params: { path: { shelf: 'set-ups' } },
      body: { code: 'day', name: 'Day', interval: '1' },
    });
  });

  it('takes an entry in from its file, and keeps what was typed where the file is none', async () => {
    await open(technician);
    press('Add a set-up');
    await screen.findByRole('dialog');
    type(/^Code/, 'mine');
    file('not json');
    expect(await screen.findByText(/set-up.json is no entry of a library/)).toBeTruthy();
    file('[1, 2]');
    expect(valueOf(/^Code/)).toBe('mine');
    file(JSON.stringify({ code: 'day', name: 'Day', interval: '0.5', unknown: 'x' }));
    await waitFor(() => expect(valueOf(/^Code/)).toBe('day'));
    expect([valueOf(/^Name/), valueOf('Log interval')]).toEqual(['Day', '0.5']);
    press('Add it');
    await waitFor(() => expect(server.POST).toHaveBeenCalled());
    expect(sent(server.POST).body).toEqual({ code: 'day', name: 'Day', interval: '0.5' });
  });
});
