import { QueryCache, QueryClient } from '@tanstack/react-query';
import createClient from 'openapi-fetch';
import type { components, paths } from './contract';
import { reaching } from '../away/reach';
import { identifier } from './identifier';
import { patiently } from './patiently';

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

export const api = createClient<paths>({
  baseUrl: '/',
  headers: { 'X-Requested-With': 'footnote' },
  fetch: (request: Request) => patiently(() => reaching(fetch(request.clone()))),
});

/**
 * What was asked for, by what it asks, until the server has answered: sent again after a lost answer it carries the same
 * identifier, and nothing is made twice.
 */
const unanswered = new Map<string, string>();
const asks = async (request: Request) => `${request.method} ${request.url} ${await request.clone().text()}`;
/** The identifier of a change that was asked for and not answered: it may have been made. */
export const unansweredId = (path: string, body: unknown): string | undefined =>
  unanswered.get(`POST ${new URL(path, window.location.href).href} ${JSON.stringify(body)}`);

api.use({
  onRequest: async ({ request }) => {
    if (request.method !== 'GET') {
      const what = await asks(request);
      const id = unanswered.get(what) ?? identifier();
      unanswered.set(what, id);
      request.headers.set('X-Request-Id', id);
    }
    return request;
  },
  onResponse: ({ request }) => {
    for (const [what, id] of unanswered) {
      if (id === request.headers.get('X-Request-Id')) {
        unanswered.delete(what);
      }
    }
    return undefined;
  },
});

const unreachable: Problem = {
  type: 'about:blank',
  title: 'Not reached',
  status: 0,
  detail: 'The server was not reached. What you typed is still here; try again when it answers.',
  fields: [],
};

/** What could not be done on this side, before any server was asked. */
export const refusedHere = (detail: string) => new Refusal({ ...unreachable, title: 'Not done', detail });

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

/** So long what was seen is held, where nobody looks at it just now, ms: it is shown again without a network. */
const HELD = 24 * 3_600_000;

export const queries = new QueryClient({
  queryCache: new QueryCache({
    // Where no server answers, what was seen before stays; the bar says of when it is.
    onError: (problem, query) => {
      if (problem instanceof Refusal && problem.problem.status === 0 && query.state.data !== undefined) {
        query.setState({ status: 'success', error: null, fetchStatus: 'idle' });
      }
    },
  }),
  defaultOptions: {
    queries: {
      retry: false,
      staleTime: 5_000,
      gcTime: HELD,
      refetchOnWindowFocus: true,
      networkMode: 'always',
    },
    mutations: { retry: false, networkMode: 'always' },
  },
});

/** New evidence can change anything that was worked out. */
export const afterEvidence = () => queries.invalidateQueries();
