import type { Schemas } from '../api/client';
import type { Answers } from './useDraft';

/** Whole seconds since a moment. */
export const secondsSince = (began: string, now: number): number =>
  Math.max(0, Math.floor((now - Date.parse(began)) / 1000));

/** What is left of a step's wait; all of it before its timer was started. The start is kept with the answers. */
export function secondsLeft(step: Schemas['Step'], answers: Answers, now: number): number {
  const began = answers.waits?.[step.id];
  const seconds = step.seconds ?? 0;
  return began === undefined ? seconds : Math.max(0, Math.ceil(seconds - (now - Date.parse(began)) / 1000));
}

export const isOver = (step: Schemas['Step'], answers: Answers): boolean =>
  secondsLeft(step, answers, Date.now()) === 0;

export const secondsUntilNow = (began: string): number => secondsSince(began, Date.now());
