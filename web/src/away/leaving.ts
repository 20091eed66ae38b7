import { answer, api } from '../api/client';

const LEAVING = 'footnote.leaving';

/** Whoever leaves where no server answers has left: the session is ended before anything else is asked for. */
export const isLeaving = () => window.localStorage.getItem(LEAVING) !== null;

/** Ends the session at the server, now or as soon as it answers. */
export async function leave(): Promise<void> {
  window.localStorage.setItem(LEAVING, 'yes');
  try {
    await answer(api.POST('/api/session/end'));
    window.localStorage.removeItem(LEAVING);
  } catch {
    // It is owed: nobody is signed in on this device meanwhile.
  }
}
