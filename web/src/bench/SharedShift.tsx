import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { plural, signed } from '../look/words';

/** Several units on one reference moved by the same: whose fault that likely is, before anybody adjusts. */
export function SharedShift({ shift }: { shift: Schemas['Shift'] }) {
  return (
    <section
      style={{
        borderTop: `2px solid ${ink.qualified}`,
        borderBottom: `1px solid ${ink.rule}`,
        padding: '8px 0',
        margin: '8px 0 14px',
      }}
    >
      <h2 style={{ margin: 0 }}>
        Shift shared by the row: {shift.reference}, {shift.when}
      </h2>
      <p style={{ margin: '2px 0' }}>
        {plural(shift.units.length, 'instrument')} moved together by{' '}
        <b className="fn-figure">
          {signed(shift.shared.toFixed(2))} {shift.unit}
        </b>
        . That points to the reference, not to the instruments. Check {shift.reference} against another before
        anybody adjusts {shift.units.join(', ')}.
      </p>
      <p style={{ margin: 0, color: ink.soft, fontSize: '0.88rem' }}>
        What is each instrument&rsquo;s own:{' '}
        {shift.own.map((one) => `${one.unit} ${signed(one.own.toFixed(2))}`).join(', ')} {shift.unit}. The
        shared part is the median: Footnote&rsquo;s own choice.
      </p>
    </section>
  );
}
