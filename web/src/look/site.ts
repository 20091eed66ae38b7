let zone: string | undefined;

/** The zone of the site, as the session tells it: times are those of the site, whatever the browser's. */
export const zoneOfSite = () => zone;

/** One page is of one site: it is said with the session, before any view is drawn. */
export const atSite = (told: string | null) => {
  zone = told ?? undefined;
};
