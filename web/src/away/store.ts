import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Problem, Schemas } from '../api/client';
import type { Answers } from '../bench/useDraft';
import type { Heard } from './reach';

/** A check that is walked on this device, where no server answers. */
export interface AwayCheck {
  /** Of its own, or of the half-done check of the server that it goes on with. */
  id: string;
  person: string;
  instrument: string;
  procedure: string;
  sheets: string[];
  begun: string;
  /** The half-done check of the server, as it was last heard of. */
  from: Schemas['Draft'] | null;
  answers: Answers;
  /** By which the server knows it once it is brought; photos and acceptance refer to it. */
  request: string;
  /** How the clocks stood when the server was last heard. */
  heard: Heard | null;
  /** What it waits for in the outbox; null while it is half done. */
  closed: 'accepted' | 'broken off' | null;
}

/** A request that waits until the server answers. It belongs to a person and is sent by nobody else. */
export interface Waiting {
  /** Given by the store: they are sent in this order. */
  seq?: number;
  person: string;
  /** By which the server knows it again, and what is made later refers to it. */
  request: string;
  at: string;
  kind: 'check' | 'acceptance' | 'breaking off' | 'photo' | 'run' | 'word on a run';
  /** The unit that it is about: one thing after the other. */
  about: string;
  words: string;
  /** Where it goes; {=request.field} is what that request made. */
  path: string;
  body: Record<string, unknown> | null;
  file: { blob: Blob; name: string; place: string } | null;
  /** Requests that it refers to. */
  after: string[];
  /** Whether its moments are by the clock of this device. */
  heard: Heard | null;
  isTimed: boolean;
  /** Why its moments stand although the clock was off. */
  why: string;
  refused: Problem | null;
}

/** What a request made, by which later ones refer to it. */
export interface Made {
  request: string;
  person: string;
  at: number;
  made: Record<string, unknown>;
  /** The check of this device that was brought by it. */
  local: string | null;
}

/** The checks of a unit as they were handed out. */
export interface Prepared {
  id: string;
  at: string;
  /** Of the contract that it keeps: what another release handed out is not walked. */
  shape: string;
  unit: Schemas['PreparedUnit'];
}

/** What was seen of the logbook. */
export interface Kept {
  id: 'kept';
  person: string | null;
  shape: string;
  at: number;
  state: unknown;
}

interface Shelves extends DBSchema {
  checks: { key: string; value: AwayCheck };
  outbox: { key: number; value: Waiting };
  made: { key: string; value: Made };
  prepared: { key: string; value: Prepared };
  kept: { key: string; value: Kept };
}

declare const SHAPE: string;
/** The contract that this release keeps. */
export const shape = SHAPE;

let opened: Promise<IDBPDatabase<Shelves>> | null = null;
export const shelves = () =>
  (opened ??= openDB<Shelves>('footnote', 1, {
    upgrade: (db) => {
      db.createObjectStore('checks', { keyPath: 'id' });
      db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('made', { keyPath: 'request' });
      db.createObjectStore('prepared', { keyPath: 'id' });
      db.createObjectStore('kept', { keyPath: 'id' });
    },
    terminated: () => {
      opened = null;
    },
  }));
