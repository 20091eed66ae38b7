import { QRCodeSVG } from 'qrcode.react';
import type { Schemas } from '../api/client';
import { day, dayOfYear } from '../look/words';

/** A small label for the instrument: when it was checked, by whom, when next, and a code that opens the check. */
export function Label({ check }: { check: Schemas['Check'] }) {
  const address = `${window.location.origin}/checks/${check.id}`;
  return (
    <figure className="fn-label" aria-label={`Label of ${check.id}`}>
      <QRCodeSVG value={address} size={84} level="M" title={address} marginSize={1} />
      <figcaption>
        <b style={{ fontSize: '1.15rem' }}>{check.instrument.id}</b> {check.instrument.model}
        <br />
        checked {day(check.at, check.zone)}, {check.who}
        <br />
        {check.next === null ? 'next: as the manual and the site say' : `next by ${dayOfYear(check.next)}`}
        <br />
        {check.id}
      </figcaption>
    </figure>
  );
}
