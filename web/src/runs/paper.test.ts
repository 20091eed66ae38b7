import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { entry, step } from '../tests/fixtures';
import { stepsOf } from './paper';

it('leaves out what the sheet says nothing of, and asks nothing that does not follow', () => {
  const reading = [entry('value', 'decimal')];
  const draft = {
    references: [{ id: 'A', model: '', about: '', settings: [], problems: [] }],
    procedure: {
      steps: [
        step('stopped', 'confirm'),
        step('steady', 'wait', { seconds: 30 }),
        step('reference', 'reference'),
        step('as-found', 'readings', { into: 'asFound', columns: reading }),
        step('adjust', 'adjust'),
        step('as-left', 'readings', { into: 'asLeft', columns: reading, when: 'adjusted' }),
        step('air', 'entries', { fields: [entry('temperature', 'decimal')] }),
      ],
    },
  } as unknown as Schemas['Draft'];
  const answers = { reference: 'A', asFound: [{ value: '114.0' }], adjusted: false };
  expect(stepsOf(draft, answers, ['stopped'])).toEqual({
    stopped: 'done',
    steady: 'skipped',
    reference: 'done',
    'as-found': 'done',
    adjust: 'done',
    air: 'skipped',
  });
  expect(stepsOf(draft, { ...answers, adjusted: true }, [])).toMatchObject({
    stopped: 'skipped',
    'as-left': 'skipped',
  });
});
