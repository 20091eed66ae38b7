import { useCallback, useEffect, useRef, useState } from 'react';
import { answer, api, Refusal, type Schemas } from '../api/client';
import { base64 } from './lines';
import { OpenPort } from './port';

type Heard = Schemas['Heard'];
export type Points = Record<string, { at: number; value: string }[]>;

/** Where lines come from in this browser; a stand-in stands in the half-done check itself. */
export type Source =
  | { kind: 'port'; port: OpenPort; profile: string }
  | { kind: 'file' | 'pasted'; bytes: Uint8Array; name: string; profile: string };

/** So much of a trace is held, ms. */
const TRACE = 180_000;
const EVERY = 1000;

/** Joins what is new to the trace of each channel. */
export const joined = (points: Points, heard: Heard): Points => {
  const newest = Date.parse(heard.now) - TRACE;
  const all: Points = {};
  for (const channel of heard.channels) {
    const before = points[channel.channel] ?? [];
    const last = before.at(-1)?.at ?? -Infinity;
    const more = channel.points
      .map((one) => ({ at: Date.parse(one.at), value: one.value }))
      .filter((one) => one.at > last);
    const every = [...before, ...more];
    all[channel.channel] = channel.isJudged
      ? every.filter((one) => one.at > newest || one === every.at(-1))
      : every;
  }
  return all;
};

interface Last {
  step: string | null;
  heard: Heard | null;
  points: Points;
  problem: string | null;
}
const nothing = (step: string | null): Last => ({ step, heard: null, points: {}, problem: null });

/** A source of readings while a check is walked: what it says at a step is asked for once a second, or once where it is all there. */
export function useSource(draft: Schemas['Draft'] | undefined, step: Schemas['Step'] | undefined) {
  const [source, setSource] = useState<Source | null>(null);
  // What one step heard is nothing that another did.
  const [last, setLast] = useState<Last>(nothing(null));
  const standIn = draft?.standIn?.connected === true;
  const id = draft?.id ?? '';
  const wanted = step !== undefined && step.feeds.length > 0 ? step.id : null;
  const connected = source !== null || standIn;
  const held = useRef<Source | null>(null);

  const told = useCallback((): Schemas['Source'] | null => {
    const from = held.current;
    switch (from?.kind) {
      case 'port':
        return from.port.lines.isEmpty()
          ? null
          : { kind: 'port', profile: from.profile, ...from.port.lines.sent(performance.now()) };
      case 'file':
      case 'pasted':
        return { kind: from.kind, profile: from.profile, lines: base64(from.bytes) };
      default:
        return { kind: 'stand-in' };
    }
  }, []);

  const choose = useCallback((next: Source | null) => {
    const before = held.current;
    if (before?.kind === 'port') {
      void before.port.letGo();
    }
    held.current = next;
    setSource(next);
    setLast(nothing(null));
  }, []);
  useEffect(
    () => () => {
      if (held.current?.kind === 'port') {
        void held.current.port.letGo();
      }
    },
    [],
  );

  const shown = useRef<string | null>(null);
  const ask = useCallback(async () => {
    if (wanted === null) {
      return;
    }
    const from = told();
    const asked = held.current;
    if (from === null) {
      const port = held.current?.kind === 'port' ? held.current.port : null;
      setLast({ ...nothing(wanted), problem: port?.gone ?? 'Nothing has come through the port yet.' });
      return;
    }
    try {
      const next = await answer(
        api.POST('/api/bench/drafts/{id}/source', {
          params: { path: { id } },
          body: { step: wanted, source: from },
        }),
      );
      // What was let go meanwhile says nothing any more.
      if (shown.current === wanted && held.current === asked) {
        const gone = held.current?.kind === 'port' ? held.current.port.gone : null;
        setLast((before) => ({
          step: wanted,
          heard: next,
          points: joined(before.step === wanted ? before.points : {}, next),
          problem: gone,
        }));
      }
    } catch (refused) {
      const words = refused instanceof Refusal ? refused.message : 'The source could not be read.';
      setLast((before) => ({ ...(before.step === wanted ? before : nothing(wanted)), problem: words }));
    }
  }, [id, told, wanted]);
  useEffect(() => {
    shown.current = wanted;
    if (!connected || wanted === null) {
      return undefined;
    }
    let timer: number | undefined;
    let ended = false;
    const again = async () => {
      await ask();
      const goesOn = held.current === null || held.current.kind === 'port';
      if (!ended && goesOn) {
        timer = window.setTimeout(() => void again(), EVERY);
      }
    };
    void again();
    return () => {
      ended = true;
      window.clearTimeout(timer);
    };
  }, [ask, connected, source, wanted]);

  const { heard, points, problem } = last.step === wanted ? last : nothing(wanted);
  return { source, standIn, connected, heard, points, problem, choose, told };
}
