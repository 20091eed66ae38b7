import type { Schemas } from '../api/client';

type Person = Schemas['User'] | null | undefined;
type Role = Schemas['Role'];

const holds = (user: Person, ...roles: Role[]) =>
  user?.roles.some((held) => roles.includes(held.role)) ?? false;

/** What a screen offers; the server decides all the same. */
export const mayRecord = (user: Person) => holds(user, 'technician', 'hygienist', 'steward');
export const mayDecide = (user: Person) => holds(user, 'hygienist');
export const maySteward = (user: Person) => holds(user, 'steward');
export const mayLead = (user: Person) => holds(user, 'hygienist', 'steward');

/** The roles in words: "hygienist and steward". */
export const rolesOf = (roles: readonly Role[]) => {
  const last = roles.at(-1) ?? '';
  return roles.length < 2 ? last : `${roles.slice(0, -1).join(', ')} and ${last}`;
};

/** Where a role is at work: what a small screen has room for; everything else is one press further. */
export const firstOf = (user: Person): string[] =>
  mayDecide(user)
    ? ['/', '/results', '/bench', '/laboratory']
    : maySteward(user)
      ? ['/', '/kit', '/bench', '/policies']
      : mayRecord(user)
        ? ['/', '/bench', '/kit', '/results']
        : ['/', '/results', '/kit', '/journal'];
