import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import { minus } from '../look/words';
import { Named } from './notes';

interface Props {
  breakdown: NonNullable<Schemas['Result']['breakdown']>;
  cite: (figure: string) => React.ReactNode;
}

/** What a result is made of, part by part. A function and no component: the line gathers the notes while it is built. */
export const breakdownTable = ({ breakdown, cite }: Props) => {
  const numbers = breakdown.columns.map((_, place) =>
    breakdown.rows.some((row) => /^[+−-]?[\d.]+( to [+−-]?[\d.]+)?$/.test(row[place]?.shown ?? '')),
  );
  return (
    <div style={{ overflowX: 'auto' }}>
      <h3 style={{ margin: '14px 0 2px' }}>{breakdown.title}</h3>
      <table className="fn-table">
        <thead>
          <tr>
            {breakdown.columns.map((column, place) => (
              <th key={column} className={numbers[place] ? 'num' : undefined}>
                <Named title={column} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {breakdown.rows.map((row, at) => (
            <tr key={at}>
              {row.map((cell, place) =>
                place === 0 ? (
                  <th key={place} scope="row">
                    {cell.shown}
                  </th>
                ) : (
                  <td
                    key={place}
                    className={numbers[place] ? 'num fn-figure' : undefined}
                    style={cell.shown.startsWith('fails') ? { color: ink.void, fontWeight: 650 } : {}}
                  >
                    {cell.shown.split(', ').map((one, i) => (
                      <Fragment key={one}>
                        {i > 0 && ', '}
                        <span style={{ whiteSpace: 'nowrap' }}>{minus(one)}</span>
                      </Fragment>
                    ))}
                    {cell.shown === '' && '–'}
                    {cell.figure && cell.noted && cite(cell.figure)}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
};
