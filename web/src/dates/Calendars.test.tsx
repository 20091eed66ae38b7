import { fireEvent, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { pick, refuse, sent, serve, type Server, showAt, type } from '../tests/served';
import { Calendars } from './Calendars';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const one = {
  id: 7,
  title: 'Bench',
  person: 'pia',
  by: 'bench',
  of: '',
  kit: ['D-1'],
  madeAt: '2026-11-30T10:00:00+00:00',
};
const kit = { instruments: [{ id: 'D-1' }], references: [{ id: 'AC-1' }] };

it('tells an address once, keeps what was typed where it is refused, and ends one', async () => {
  serve(
    server,
    { '/api/calendars': { items: [one] }, '/api/kit': kit },
    { address: 'https://footnote.example/calendar/abc.ics', square: '<svg/>', items: [one] },
  );
  showAt('/', '/', <Calendars first="bench" onClose={vi.fn()} />);
  await screen.findByText(/What is done at the bench of D-1/);
  fireEvent.change(screen.getByRole('textbox', { name: /Name of the calendar/ }), {
    target: { value: 'Mine' },
  });
  refuse(server.POST, 'Nothing was saved.', { '/title': 'may have 80 characters at most.' });
  fireEvent.click(screen.getByRole('button', { name: 'Make an address' }));
  await screen.findByText('may have 80 characters at most.');
  fireEvent.click(screen.getByRole('button', { name: 'Make an address' }));
  const address = await screen.findByLabelText<HTMLInputElement>('Address');
  expect(sent(server.POST)).toMatchObject({
    path: '/api/calendars',
    body: { title: 'Mine', by: 'bench', kit: [] },
  });
  expect(address.value).toBe('https://footnote.example/calendar/abc.ics');
  fireEvent.click(screen.getByRole('button', { name: 'Make another' }));
  await vi.waitFor(() => expect(screen.queryByLabelText('Address')).toBeNull());
  fireEvent.click(screen.getByRole('button', { name: 'End Bench' }));
  await vi.waitFor(() =>
    expect(sent(server.POST)).toMatchObject({ path: '/api/calendars/{id}/end', params: { path: { id: 7 } } }),
  );
});

it('is of the planned days of a person', async () => {
  const ofHers = { ...one, title: 'Hers', by: 'person', of: 'nia', kit: [] };
  serve(
    server,
    { '/api/calendars': { items: [ofHers] }, '/api/kit': kit },
    { address: 'a', square: '<svg/>', items: [] },
  );
  showAt('/', '/', <Calendars first="" onClose={vi.fn()} />);
  await screen.findByText(/The planned days of a person: nia/);
  pick('Of what', 'The planned days of a person');
  expect(screen.queryByLabelText(/Of these units/)).toBeNull();
  type(/Who, as plans name/, 'oto');
  fireEvent.click(screen.getByRole('button', { name: 'Make an address' }));
  await screen.findByLabelText('Address');
  expect(sent(server.POST).body).toEqual({ title: 'Dates of the kit', by: 'person', of: 'oto' });
});
