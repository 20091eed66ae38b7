import { screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { pick, press, refuse, sent, serve, show, technician, type } from '../tests/served';
import { KitWord } from './KitWord';

const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn(), PUT: vi.fn() }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: server,
}));

const entry = (name: string, label: string, more: object = {}) => ({
  name,
  kind: 'text',
  label,
  required: false,
  help: '',
  units: [],
  choices: [],
  rows: [],
  of: '',
  asked: '',
  ...more,
});
const entries = [
  entry('state', 'It is', {
    kind: 'choice',
    choices: [
      { value: 'here', words: 'here' },
      { value: 'out', words: 'out of the house' },
    ],
  }),
  entry('place', 'Where'),
  entry('belongs', 'What belongs to it', { kind: 'rows', rows: [entry('what', 'What')] }),
];
const word = (said: object | null) => ({
  '/api/session': technician,
  ...Object.fromEntries(
    ['instruments', 'references'].map((owner) => [
      `/api/kit/${owner}/{id}/word`,
      { entries, said: said && { record: said, by: 'T-1', at: '2026-12-01T10:00:00+00:00' } },
    ]),
  ),
});

it('says where it is and what of it is missing', async () => {
  serve(
    server,
    word({
      state: 'out',
      place: 'the laboratory',
      belongs: [{ what: 'cap', missing: true }, { what: 'case' }],
    }),
  );
  show(<KitWord owner="instruments" id="DM-01" says={false} />);
  expect(
    await screen.findByText(
      /It is: out of the house · Where: the laboratory · What belongs to it: cap \(missing\), case/,
    ),
  ).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
});

it('is said anew, and keeps what was typed where it is refused', async () => {
  serve(server, word(null));
  show(<KitWord owner="references" id="AC-01" says />);
  expect(await screen.findByText('Nobody has said.')).toBeTruthy();
  press('Say where it is');
  pick('It is', 'out of the house');
  type('Where', 'in the van');
  refuse(server.POST, 'Nothing was saved.', { '/place': 'is too long.' });
  press('Say it');
  expect(await screen.findByText('is too long.')).toBeTruthy();
  press('Say it');
  await vi.waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(sent(server.POST)).toMatchObject({
    path: '/api/kit/references/{id}/word',
    params: { path: { id: 'AC-01' } },
    body: { state: 'out', place: 'in the van' },
  });
});
