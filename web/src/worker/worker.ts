import { clientsClaim } from 'workbox-core';
import { addRoute, cleanupOutdatedCaches, matchPrecache, precache } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope;
/** The files of the build, each under a name of its own, and the page that loads them. */
declare const BUILT: { url: string; revision: string | null }[];

/** So long a page is waited for before the one of the last visit is shown, ms. */
const PATIENCE = 800;

const late = () =>
  new Promise<never>((_, reject) => {
    setTimeout(() => reject(new Error('The server is slow.')), PATIENCE);
  });
// Of a request for a page nothing may be changed, not even how long it is waited for.
const asked = async (request: Request): Promise<Response> => {
  const response = await Promise.race([fetch(request), late()]);
  if (response.status >= 500) {
    throw new Error(`The server answered ${response.status}.`);
  }
  return response;
};

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precache(BUILT);
// The page is the same at every address. It is kept as the server sent it, with the header that its styles are allowed by.
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      try {
        return await asked(request);
      } catch {
        return (await matchPrecache('/')) ?? Response.error();
      }
    },
    { denylist: [/^\/api\//, /^\/build\//, /^\/r\//, /^\/calendar\//] },
  ),
);
addRoute();
