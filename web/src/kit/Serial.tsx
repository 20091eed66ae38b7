/** Its serial number, where somebody has stated it. */
export function Serial({ written: { serial } }: { written: Record<string, unknown> }) {
  return typeof serial === 'string' && serial !== '' ? <>, serial number {serial}</> : null;
}
