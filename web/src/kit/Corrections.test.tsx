import { screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { entry } from '../tests/fixtures';
import { press, refuse, sent, serve, type Server, show, type } from '../tests/served';
import { Certificates } from './Certificates';
import { CorrectedWords, CorrectKit } from './CorrectKit';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const certificate = {
  number: 'F-1',
  laboratory: 'County',
  issued: '2026-03-04',
  due: '2027-03-04',
  word: null,
  values: [{ nominal: '114', certified: '114.03', uncertainty: '0.1', frequency: '1000' }],
};

it('puts another in the place of a certificate, begun with what stands there, and keeps it where it is refused', async () => {
  serve(server, { '/api/kit/forms': { references: [], families: [] } });
  show(
    <Certificates
      owner="references"
      id="AC-01"
      certificates={[
        { ...certificate, number: 'F-0', word: 'withdrawn on 3 Nov 2026 by S-1: of another' },
        certificate,
      ]}
      corrects
    />,
  );
  expect(screen.getByText(/withdrawn on 3 Nov 2026/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Correct F-0' })).toBeNull();
  press('Correct F-1');
  type(/^Certified/, '114.30');
  type('What was wrong *', 'digits exchanged');
  refuse(server.POST, 'Nothing was changed.', { '/certificate/values/0/certified': 'is far off.' });
  press('Put this in its place');
  expect(await screen.findByText('is far off.')).toBeTruthy();
  press('Put this in its place');
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(sent(server.POST)).toMatchObject({
    path: '/api/kit/references/{id}/certificates/correction',
    body: {
      corrects: { number: 'F-1', issued: '2026-03-04' },
      reason: 'digits exchanged',
      certificate: { number: 'F-1', values: [{ nominal: '114', certified: '114.30', frequency: '1000' }] },
    },
  });
});

it('withdraws one that belongs to something else', async () => {
  serve(server, {});
  show(<Certificates owner="instruments" id="U-1" certificates={[certificate]} corrects />);
  press('Correct F-1');
  screen.getByRole('checkbox').click();
  type('What was wrong *', 'of U-2');
  press('Withdraw it');
  await waitFor(() => expect(sent(server.POST)).toBeTruthy());
  expect(sent(server.POST)).toMatchObject({
    body: { corrects: { number: 'F-1', issued: '2026-03-04' }, reason: 'of U-2' },
  });
});

it('sends everything that may be corrected as it is right, and tells what was', async () => {
  serve(server, {});
  const close = vi.fn();
  show(
    <>
      <CorrectKit
        owner="instruments"
        id="U-1"
        written={{ model: 'M', serial: 'SN-7', class: '1' }}
        entries={[entry('class', 'text', { label: 'Class' })]}
        onClose={close}
      />
      <CorrectedWords
        corrections={[
          { at: '2026-11-03T08:00:00Z', by: 'S-1', reason: 'misread', words: 'class 2, before 1' },
        ]}
      />
    </>,
  );
  expect(screen.getByText(/class 2, before 1. misread/)).toBeTruthy();
  type('Class', '2');
  type('Serial number, as its logs give it', '');
  type('What was wrong *', 'misread');
  press('Put it right');
  await waitFor(() => expect(close).toHaveBeenCalled());
  expect(sent(server.POST)).toMatchObject({
    path: '/api/kit/instruments/{id}/correction',
    body: { reason: 'misread', record: { model: 'M', class: '2' } },
  });
});
