import { answer, type Schemas } from './client';
import { patiently } from './patiently';

/** A file as the body of a request; what is told of it stands in headers, as JSON or as words. */
export const post = (
  path: string,
  file: Blob | null,
  told: Record<string, unknown>,
  type = 'text/plain',
): Promise<Response> =>
  patiently(() =>
    fetch(path, {
      method: 'POST',
      body: file,
      headers: {
        'Content-Type': type,
        'X-Requested-With': 'footnote',
        ...Object.fromEntries(
          Object.entries(told).map(([name, value]) => [
            name,
            encodeURIComponent(typeof value === 'string' ? value : JSON.stringify(value)),
          ]),
        ),
      },
    }),
  );

/** What is answered to a request that the client did not send: its data, or a Refusal. */
export const answered = <T>(asked: Promise<Response>): Promise<T> =>
  answer<T>(
    asked.then(async (response) => {
      const body: unknown = await response.json().catch(() => undefined);
      return response.ok ? { data: body as T, response } : { error: body ?? {}, response };
    }),
  );

/**
 * Sends a file, and gives what the server answers.
 *
 * @throws a Refusal, in words that a person can act on
 */
export const sendFile = <T>(...sent: Parameters<typeof post>): Promise<T> => answered<T>(post(...sent));

/** Keeps a photo or a document of something; the place says of what of it, and is empty where it is of the whole. */
export const keepFile = (of: string, id: string, file: File, place = ''): Promise<Schemas['Files']> =>
  sendFile<Schemas['Files']>(
    `/api/files?of=${of}&id=${encodeURIComponent(id)}`,
    file,
    { 'X-File': { name: file.name, place } },
    file.type || 'application/octet-stream',
  );
