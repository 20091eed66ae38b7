import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import {
  press,
  refuse,
  row,
  sent,
  serve,
  type Server,
  show,
  steward,
  technician,
  type,
} from '../tests/served';
import { PeopleView } from './PeopleView';

const server = vi.hoisted<Server>(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<object>()), api: server }));

const roles = ['reader', 'technician', 'hygienist', 'steward'].map((role) => ({
  role,
  may: `do as ${role}`,
}));
const person = { code: 'X-1', roles: ['technician'], hasPassword: true, codeUntil: null, said: null };
const people = [
  { ...person, name: 'steward', code: 'S-1', roles: ['steward'] },
  { ...person, name: 'invited', hasPassword: false, codeUntil: '2026-12-06T10:00:00Z' },
  {
    ...person,
    name: 'gone',
    roles: [],
    said: { by: 'S-1', at: '2026-11-29T10:00:00Z', reason: 'left the house' },
  },
];

beforeEach(() => serve(server, { '/api/session': steward, '/api/people': { people, roles } }));

it('says what one may do; only a steward sees the others', async () => {
  serve(server, { '/api/session': technician });
  show(<PeopleView />);
  expect(await screen.findByText(/you may do what it says/)).toBeTruthy();
  expect(screen.queryByText('People')).toBeNull();
  expect(server.GET).not.toHaveBeenCalledWith('/api/people');
});

it('says of each who waits, and who may not sign in any more and why', async () => {
  show(<PeopleView />);
  await screen.findByRole('heading', { name: 'People' });
  expect(row(/invited/).textContent).toContain('a one-time code waits until 6 Dec');
  expect(row(/gone/).textContent).toContain('access ended');
  expect(row(/gone/).textContent).toContain('left the house');
  expect(within(row(/gone/)).queryByRole('button', { name: /code/ })).toBeNull();
  // Nobody makes a code in place of the own password.
  expect(within(row(/^steward/)).queryByRole('button', { name: /code/ })).toBeNull();
});

it('changes roles with a reason, and ends access where none is left', async () => {
  show(<PeopleView />);
  await screen.findByRole('heading', { name: 'People' });
  press('Roles of invited');
  type('Why *', 'learned it');
  screen.getByRole('checkbox', { name: /hygienist/ }).click();
  refuse(server.POST, 'Nothing was saved. Roles: no.', { '/roles': 'no.' });
  press('Save');
  expect(await screen.findByText('Roles no.')).toBeTruthy();
  expect(sent(server.POST).body).toEqual({ roles: ['technician', 'hygienist'], reason: 'learned it' });
  for (const role of [/hygienist/, /technician/]) {
    screen.getByRole('checkbox', { name: role }).click();
  }
  press('End the access');
  await waitFor(() => expect(sent(server.POST).path).toBe('/api/people/{name}/end'));
  expect(sent(server.POST).body).toEqual({ reason: 'learned it' });
});

it('shows a code once', async () => {
  show(<PeopleView />);
  await screen.findByRole('heading', { name: 'People' });
  serve(
    server,
    { '/api/session': steward, '/api/people': { people, roles } },
    { name: 'invited', oneTimeCode: 'ABCD-EFGH-JKMN-PQRS', people, roles },
  );
  press('New code for invited');
  expect(await screen.findByText('ABCD-EFGH-JKMN-PQRS')).toBeTruthy();
  press('I have noted it');
  await waitFor(() => expect(screen.queryByText('ABCD-EFGH-JKMN-PQRS')).toBeNull());
});

it('does not send two passwords that differ', async () => {
  show(<PeopleView />);
  await screen.findByText(/You sign in as/);
  type(/^Password now/, 'old');
  type(/^New password \*/, 'a bench by the window');
  type(/^New password again/, 'a bench by the door');
  press('Change the password');
  expect(screen.getByText('is another one')).toBeTruthy();
  expect(server.POST).not.toHaveBeenCalled();
});
