import { useSyncExternalStore } from 'react';

/** Whether the server answers, and since when it does not. */
export interface Reach {
  reached: boolean;
  since: number | null;
}
/** The clock of this device beside that of the server, at one moment. */
export interface Heard {
  server: string;
  device: string;
}

/** So often it is tried whether the server answers again, and so long an answer is waited for, ms. */
const EVERY = 2500;
const PATIENCE = 5000;
const HEARD = 'footnote.heard';

let now: Reach = { reached: true, since: null };
const listeners = new Set<() => void>();
let timer: number | undefined;

const become = (next: Reach) => {
  now = next;
  listeners.forEach((listener) => listener());
};

/** Somebody in between answered for a server that is not there. */
const isOfAnother = (response: Response) => response.status === 502 || response.status === 504;

const tryAgain = () => {
  window.clearTimeout(timer);
  timer = window.setTimeout(() => void ping(), EVERY);
};
const ping = async () => {
  try {
    const response = await fetch('/api/session', {
      cache: 'no-store',
      signal: AbortSignal.timeout(PATIENCE),
    });
    if (isOfAnother(response)) {
      throw new Error('Nobody is there.');
    }
    met(response);
  } catch {
    lost();
  }
};

/** The server answered. */
export function met(response: Response): void {
  const server = Date.parse(response.headers.get('Date') ?? '');
  if (!Number.isNaN(server)) {
    const heard: Heard = { server: new Date(server).toISOString(), device: new Date().toISOString() };
    window.localStorage.setItem(HEARD, JSON.stringify(heard));
  }
  if (!now.reached) {
    window.clearTimeout(timer);
    become({ reached: true, since: null });
  }
}

/** It did not. */
export function lost(): void {
  if (now.reached) {
    become({ reached: false, since: Date.now() });
  }
  tryAgain();
}

/** How both clocks stood when the server was last heard; null where it never was. */
export const lastHeard = (): Heard | null => {
  try {
    return JSON.parse(window.localStorage.getItem(HEARD) ?? 'null') as Heard | null;
  } catch {
    return null;
  }
};

/** An answer of the server, or that there was none. */
export async function reaching(asked: Promise<Response>): Promise<Response> {
  let response;
  try {
    response = await asked;
  } catch (problem) {
    lost();
    throw problem;
  }
  if (isOfAnother(response)) {
    lost();
    throw new TypeError('The server was not reached.');
  }
  met(response);
  return response;
}

/** The browser knows first where a cable is pulled or a network is found; a page of the last visit asks at once. */
export function watchNetwork(): void {
  if (window.navigator.onLine) {
    void ping();
  } else {
    lost();
  }
  window.addEventListener('offline', lost);
  window.addEventListener('online', () => void ping());
}

export const isReached = () => now.reached;
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};
export const useReach = (): Reach => useSyncExternalStore(subscribe, () => now);
