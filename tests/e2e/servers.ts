/** Each worker has a server and a logbook of its own: what one does, the other does not see. */
export const PORTS = [8177, 8179, 8181] as const;
export const address = (worker: number) => `http://127.0.0.1:${PORTS[worker] ?? PORTS[0]}`;

/** The server of an empty logbook, for whoever begins one. */
export const EMPTY_PORT = 8183;
export const EMPTY = `http://127.0.0.1:${EMPTY_PORT}`;
