import { Refusal, type Problem } from '../api/client';
import { post } from '../api/sendFile';

export interface Kept {
  report: string;
  rows: number;
  unmatched: string[];
}

type Line =
  | { done: number; of: number }
  | { report: string; rows: number; unmatched: string[] }
  | { problem: string; fields: Problem['fields'] };

const problemOf = (detail: string, fields: Problem['fields'] = [], status = 0): Refusal =>
  new Refusal({ type: 'about:blank', title: 'Not accepted', status, detail, fields });

/**
 * Sends a file whole; the server answers with a line of JSON for every hundred rows it has kept, and the last line says
 * what came of it.
 */
export async function sendReport(
  file: Blob,
  report: Record<string, unknown>,
  progress: (said: { done: number; of: number }) => void,
): Promise<Kept> {
  let response: Response;
  try {
    response = await post('/api/laboratory/import', file, { 'X-Report': report });
  } catch {
    throw problemOf('The server was not reached. What you typed is still here; try again when it answers.');
  }
  if (!response.ok || response.body === null) {
    const said = (await response.json().catch(() => null)) as Problem | null;
    throw said
      ? new Refusal(said)
      : problemOf(`The server answered ${response.status}.`, [], response.status);
  }
  const reader = response.body.getReader();
  const decoder = new TextDecoder();
  let text = '';
  let last: Line | null = null;
  for (;;) {
    const { done, value } = await reader.read();
    text += decoder.decode(value, { stream: !done });
    const lines = text.split('\n');
    text = lines.pop() ?? '';
    for (const line of lines.filter((one) => one !== '')) {
      last = JSON.parse(line) as Line;
      if ('done' in last) {
        progress(last);
      }
    }
    if (done) {
      break;
    }
  }
  if (last === null || 'done' in last) {
    throw problemOf('The server broke off. Nothing was kept; try again.');
  }
  if ('problem' in last) {
    throw problemOf(last.problem, last.fields, 422);
  }
  return last;
}
