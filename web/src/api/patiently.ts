/** How often somebody is waited for who writes longer than the server waits by itself, and how long at most, s. */
const TRIES = 5;
const LONGEST = 10;

/** Asks again where the server was busy, after as long as it says; nothing was kept of what it refused so. */
export async function patiently(ask: () => Promise<Response>): Promise<Response> {
  for (let tried = 1; ; tried += 1) {
    const response = await ask();
    if (response.status !== 503 || tried === TRIES) {
      return response;
    }
    const seconds = Number(response.headers.get('Retry-After') ?? Number.NaN);
    if (Number.isNaN(seconds)) {
      return response;
    }
    await new Promise((resolve) => setTimeout(resolve, 1000 * Math.min(seconds, LONGEST)));
  }
}
