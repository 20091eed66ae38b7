import type { Schemas } from '../api/client';

type Person = Schemas['User'] | null | undefined;

/** What a screen offers; the server decides all the same. */
export const mayRecord = (user: Person) => user !== null && user !== undefined && user.role !== 'reader';
export const mayDecide = (user: Person) => user?.role === 'hygienist';
export const maySteward = (user: Person) => user?.role === 'steward';
export const mayLead = (user: Person) => user?.role === 'hygienist' || user?.role === 'steward';
