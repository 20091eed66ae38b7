import { describe, expect, it } from 'vitest';
import { answer, Refusal, type Problem } from './client';

const problem: Problem = {
  type: 'about:blank',
  title: 'Not accepted',
  status: 422,
  detail: 'Nothing was saved. Stop: must be after the start.',
  fields: [
    { field: '/stop', problem: 'must be after the start.' },
    { field: '/acoustic/asFound/0/value', problem: 'is not a decimal number.' },
  ],
};

describe('a refusal', () => {
  const refusal = new Refusal(problem);

  it('reads as what was said', () => {
    expect(refusal.message).toBe(problem.detail);
  });

  it('finds what was said of a field by the end of its path', () => {
    expect(refusal.of('stop')).toBe('must be after the start.');
    expect(refusal.of('asFound/0/value')).toBe('is not a decimal number.');
    expect(refusal.of('top')).toBeUndefined();
    expect(refusal.of('start')).toBeUndefined();
  });
});

describe('an answer', () => {
  it('is its data', async () => {
    await expect(answer(Promise.resolve({ data: 7, response: new Response() }))).resolves.toBe(7);
  });

  it('is a refusal with the words of the server', async () => {
    const asked = Promise.resolve({ error: problem, response: new Response(null, { status: 422 }) });
    await expect(answer(asked)).rejects.toMatchObject({ problem, message: problem.detail });
  });

  it('is a refusal in words of its own where the server said nothing', async () => {
    const asked = Promise.resolve({ error: '', response: new Response(null, { status: 502 }) });
    await expect(answer(asked)).rejects.toThrow('The server answered 502.');
  });

  it('says that what was typed is still there where the server was not reached', async () => {
    await expect(answer(Promise.reject(new TypeError('refused')))).rejects.toThrow(
      'What you typed is still here',
    );
  });
});
