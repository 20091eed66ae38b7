import { fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { pick, press, refuse, sent, serve, show, technician, type } from '../tests/served';
import { KitFromTable, UnitsLike } from './FromTable';
import { rowsOf, typedRows } from './table';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));
const sheet = vi.hoisted(() => ({ readSheet: vi.fn() }));
vi.mock('read-excel-file/browser', () => sheet);

const FIELDS = [
  { name: 'id', label: 'Asset number', required: true },
  { name: 'model', label: 'Model code', required: true },
  { name: 'serial', label: 'Serial number', required: false },
];
const looked = {
  fields: FIELDS,
  columns: { id: 0, model: 1 },
  items: [
    { line: 2, id: 'D-1', model: 'M', problems: [] },
    { line: 3, id: 'D-1', model: 'M', problems: [{ field: 'id', problem: 'stands in line 2 already.' }] },
  ],
};
const begin = (view: React.ReactNode) => {
  serve(
    server,
    {
      '/api/session': technician,
      '/api/kit/forms': {
        families: [{ id: 'f', title: 'dosimeter', entries: [] }],
        references: [{ id: 'acoustic-calibrator', title: 'Acoustic calibrator', entries: [], constants: [] }],
        ofAnyUnit: [],
      },
    },
    looked,
  );
  return show(view);
};
const file = (name: string, text: string) => new File([text], name);
beforeEach(() => {
  vi.stubGlobal(
    'fetch',
    vi.fn(() =>
      Promise.resolve(
        new Response(
          JSON.stringify({
            rows: [
              ['Asset', 'Type', 'S/N'],
              ['D-1', 'M', '7'],
            ],
          }),
        ),
      ),
    ),
  );
});

describe('units out of a table', () => {
  it('are looked at line by line, their columns chosen, and those that cannot be are left out by name', async () => {
    const closed = vi.fn();
    begin(<KitFromTable steward={false} onClose={closed} />);
    await screen.findByRole('dialog');
    pick(/What they are/, 'dosimeter');
    fireEvent.change(screen.getByLabelText(/Choose the file/), {
      target: { files: [file('kit.csv', 'Asset;Type')] },
    });
    const lines = await screen.findByRole('region', { name: 'Lines' });
    expect(lines.textContent).toContain('2 lines: 1 can be registered, 1 cannot.');
    expect(lines.textContent).toContain('Line 3, D-1: Asset number: stands in line 2 already.');
    expect(screen.getByRole('combobox', { name: /Model code/ }).textContent).toBe('Type');
    pick(/Serial number/, 'S/N');
    await vi.waitFor(() =>
      expect(sent(server.POST).body).toMatchObject({ family: 'f', columns: { id: 0, model: 1, serial: 2 } }),
    );
    await screen.findByRole('button', { name: 'Register 1, leave out 1' });
    refuse(server.POST, 'Somebody else kept the same.', {});
    press('Register 1, leave out 1');
    expect(await screen.findByText('Somebody else kept the same.')).toBeTruthy();
    expect(closed).not.toHaveBeenCalled();
    press('Register 1, leave out 1');
    await vi.waitFor(() => expect(closed).toHaveBeenCalled());
    expect(sent(server.POST)).toMatchObject({ path: '/api/kit/table', body: { leaveOut: [3] } });
  });

  it('are references for a steward, and for nobody else', async () => {
    const { unmount } = begin(<KitFromTable steward={false} onClose={() => undefined} />);
    await screen.findByRole('dialog');
    fireEvent.mouseDown(screen.getByRole('combobox', { name: /What they are/ }));
    expect(screen.queryByRole('option', { name: 'Acoustic calibrator' })).toBeNull();
    unmount();
    begin(<KitFromTable steward onClose={() => undefined} />);
    await screen.findByRole('dialog');
    pick(/What they are/, 'Acoustic calibrator');
    fireEvent.change(screen.getByLabelText(/Choose the file/), {
      target: { files: [file('kit.csv', 'Asset;Type')] },
    });
    await screen.findByRole('region', { name: 'Lines' });
    expect(sent(server.POST).body).toMatchObject({ kind: 'acoustic-calibrator' });
    expect(sent(server.POST).body).not.toHaveProperty('family');
  });

  it('are several like one by their numbers alone', async () => {
    begin(<UnitsLike id="DM-01" onClose={() => undefined} />);
    type(/Asset numbers/, 'N-1, S1\n\nN-2');
    fireEvent.blur(screen.getByLabelText(/Asset numbers/));
    await screen.findByRole('region', { name: 'Lines' });
    expect(sent(server.POST).body).toEqual({
      like: 'DM-01',
      headless: true,
      columns: { id: 0, serial: 1 },
      rows: [['N-1', 'S1'], ['N-2']],
    });
    expect(within(screen.getByRole('dialog')).getByText(/certificates are not/)).toBeTruthy();
  });

  it('come from a spreadsheet with days as days', async () => {
    sheet.readSheet.mockResolvedValue([
      ['Asset', 'Due', null],
      ['D-1', new Date('2026-06-01T00:00:00Z'), 7],
    ]);
    expect(await rowsOf(file('kit.XLSX', ''))).toEqual([
      ['Asset', 'Due', ''],
      ['D-1', '2026-06-01', '7'],
    ]);
    expect(typedRows(' a ; 1\n\n\tb')).toEqual([
      ['a', '1'],
      ['', 'b'],
    ]);
  });
});
