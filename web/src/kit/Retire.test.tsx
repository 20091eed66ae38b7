import { screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { press, refuse, sent, serve, type Server, show, type } from '../tests/served';
import { Retire, RetiredWords } from './Retire';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

it('takes a reference out of use with a reason, and keeps it where it is refused', async () => {
  serve(server, {});
  const close = vi.fn();
  show(<Retire owner="references" id="CY-01" back={false} onClose={close} />);
  type('Why *', 'empty');
  refuse(server.POST, 'Nothing was changed.', { '/reason': 'says too little.' });
  press('Take it out of use');
  expect(await screen.findByText('says too little.')).toBeTruthy();
  expect(close).not.toHaveBeenCalled();
  press('Take it out of use');
  await waitFor(() => expect(close).toHaveBeenCalled());
  expect(sent(server.POST)).toMatchObject({
    path: '/api/kit/references/{id}/retirement',
    params: { path: { id: 'CY-01' } },
    body: { reason: 'empty', back: false },
  });
});

it('takes a unit back, and says nothing of what is in use', () => {
  serve(server, {});
  show(
    <>
      <Retire owner="instruments" id="U-1" back onClose={vi.fn()} />
      <RetiredWords retired={null} />
    </>,
  );
  expect(screen.getByRole('heading', { name: 'Take U-1 back into use' })).toBeTruthy();
  expect(screen.queryByText(/out of use since/)).toBeNull();
});
