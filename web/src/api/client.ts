import { QueryClient } from '@tanstack/react-query';
import createClient from 'openapi-fetch';
import type { components, paths } from './contract';

export type Schemas = components['schemas'];
export type Problem = Schemas['Problem'];

/** A refusal of the server in words that a person can act on. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  /** What was said of a field, by the end of its path. */
  of(field: string): string | undefined {
    return this.problem.fields.find((one) => one.field === field || one.field.endsWith(`/${field}`))?.problem;
  }
}

export const api = createClient<paths>({ baseUrl: '/', headers: { 'X-Requested-With': 'footnote' } });

const unreachable: Problem = {
  type: 'about:blank',
  title: 'Not reached',
  status: 0,
  detail: 'The server was not reached. What you typed is still here; try again when it answers.',
  fields: [],
};

/** The data of an answer, or a Refusal. */
export async function answer<T>(
  asked: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let got;
  try {
    got = await asked;
  } catch {
    throw new Refusal(unreachable);
  }
  if (got.error !== undefined || !got.response.ok) {
    const problem = got.error as Partial<Problem> | undefined;
    throw new Refusal({ ...unreachable, detail: `The server answered ${got.response.status}.`, ...problem });
  }
  return got.data as T;
}

export const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: false, staleTime: 5_000, refetchOnWindowFocus: true },
    mutations: { retry: false },
  },
});

/** New evidence can change anything that was worked out. */
export const afterEvidence = () => queries.invalidateQueries();
