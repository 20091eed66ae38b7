import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { press, reader, refuse, sent, serve, show, steward, type, row } from '../tests/served';
import { Source } from '../results/notes';
import { Typesetting } from '../results/Typeset';
import { Sources } from './Sources';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const sources = {
  fromMemory: [
    { source: 'ISO 9612 Annex C', names: ['N-6', 'N-7', 'N-8', 'N-9', 'N-10'] },
    { source: 'NIOSH NMAM', names: ['S-1'] },
  ],
  confirmed: [{ source: 'NIOSH NMAM', edition: '5th', clause: '', on: '2026-03-02', by: 'S-1' }],
};
const open = async (who: object, stewards: boolean) => {
  serve(server, { '/api/sources': sources, '/api/session': who });
  show(
    <Typesetting>
      <Sources stewards={stewards} />
      <Source source="NIOSH NMAM" mark="from memory" />
      <Source source="ISO 9612 Annex C." mark="from memory" />
    </Typesetting>,
  );
  await screen.findByRole('heading', { name: 'Sources to be confirmed' });
};

describe('the sources that are named from memory', () => {
  it('says of each who names it, and by which edition it was confirmed; a note says the same', async () => {
    await open(reader, false);
    expect(row(/^ISO 9612/).textContent).toBe(
      'ISO 9612 Annex CN-6, N-7, N-8, N-9 and 1 moreto be confirmed ',
    );
    expect(row(/^NIOSH/).textContent).toContain('5th, 2026-03-02 by S-1');
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText(/NIOSH NMAM \(confirmed: 5th, 2026-03-02\)/)).toBeTruthy();
    expect(screen.getByText(/ISO 9612 Annex C \(to be confirmed\)/)).toBeTruthy();
  });

  it('sends what a steward saw, and keeps what was typed where it is refused', async () => {
    await open(steward, true);
    press('Confirm ISO 9612 Annex C');
    refuse(server.POST, 'Nothing was saved. Edition: is missing.', { '/edition': 'is missing.' });
    type('Clause', 'C.2');
    fireEvent.change(screen.getByLabelText('Read on'), { target: { value: '2026-03-04' } });
    press('Save');
    await screen.findByText(/Edition: is missing/);
    expect(screen.getByLabelText<HTMLInputElement>('Clause').value).toBe('C.2');

    serve(server, { '/api/sources': sources, '/api/session': steward });
    type('Edition', '2009');
    press('Save');
    await waitFor(() => expect(screen.queryByLabelText('Edition')).toBeNull());
    expect(sent(server.POST)).toEqual({
      path: '/api/sources',
      body: { source: 'ISO 9612 Annex C', edition: '2009', clause: 'C.2', on: '2026-03-04' },
    });
  });
});
