import type { Schemas } from '../api/client';
import { askedSteps, lacks } from '../bench/answers';
import type { Answers } from '../bench/useDraft';

/** Whether a step is done where the sheet says so, and not where something was written. */
export const isSaid = (step: Schemas['Step']): boolean => step.kind === 'confirm' || step.kind === 'wait';

/**
 * What became of each step, by what the sheet says: what was written was done, what is confirmed was done, and whatever else the
 * sheet says nothing of was left out.
 */
export const stepsOf = (draft: Schemas['Draft'], answers: Answers, said: string[]): Record<string, string> =>
  Object.fromEntries(
    askedSteps(draft.procedure.steps, answers).map((step) => [
      step.id,
      (isSaid(step) ? said.includes(step.id) : lacks(step, answers, draft.references) === null)
        ? 'done'
        : 'skipped',
    ]),
  );
