/**
 * The zone of the site, as the session tells it: times are those of the site, whatever the browser's. One page is of one site;
 * it is set before any view is drawn.
 */
export const site: { zone: string | undefined } = { zone: undefined };
