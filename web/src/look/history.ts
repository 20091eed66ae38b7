/** Whether what checks show of an instrument is how far it is off; else it is what it gives: a flow. */
export const isDeviation = (unit: string) => unit === 'dB' || unit === '%';

/** How many digits behind the point what checks show is told with. */
export const digitsOf = (unit: string) => (unit === '%' ? 1 : unit === 'dB' ? 2 : 3);
