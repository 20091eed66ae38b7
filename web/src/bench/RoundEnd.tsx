import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { ink } from '../look/theme';
import { plural, signed } from '../look/words';
import { useKeys } from '../shell/keys';

/** All are read and settled: one press makes a check of each, each by itself. */
export function RoundEnd({ round }: { round: Schemas['Round'] }) {
  const navigate = useNavigate();
  const [refused, setRefused] = useState<{ unit: string; why: string }[]>([]);
  const open = round.units.filter((unit) => unit.draft !== null);
  const accept = useChange(
    async () => {
      const not: { unit: string; why: string }[] = [];
      for (const unit of open) {
        try {
          await answer(
            api.POST('/api/bench/drafts/{id}/accept', {
              params: { path: { id: unit.draft ?? '' } },
              body: { version: unit.version },
            }),
          );
        } catch (problem) {
          not.push({ unit: unit.id, why: problem instanceof Error ? problem.message : '' });
        }
      }
      return not;
    },
    (not) => {
      setRefused(not);
      if (not.length === 0) {
        void navigate('/bench');
      }
    },
  );
  useKeys({
    Enter: (event) => {
      if (!(event.target instanceof HTMLButtonElement) && open.length > 0) {
        event.preventDefault();
        accept.mutate(undefined);
      }
    },
  });
  return (
    <section>
      <h2 className="fn-title" style={{ fontSize: '1.5rem', margin: '0 0 2px' }}>
        {open.length > 0 ? 'Accept' : 'This round is over'}
      </h2>
      {open.length > 0 && (
        <p style={{ fontSize: '1.08rem' }}>
          Each becomes evidence by itself and closes what it can close. None is changed afterwards; a faulty
          one can be corrected or set aside, with a reason.
        </p>
      )}
      <div style={{ overflowX: 'auto' }}>
        <table className="fn-table">
          <thead>
            <tr>
              <th>Unit</th>
              <th className="num">Moved by, {round.unit}</th>
              <th>Adjusted</th>
              <th>Skipped</th>
              <th>Check</th>
            </tr>
          </thead>
          <tbody>
            {round.units.map((unit) => (
              <tr key={unit.id}>
                <td>{unit.id}</td>
                <td className="num fn-figure">{unit.drift === null ? '–' : signed(unit.drift.toFixed(2))}</td>
                <td>{unit.adjusted === null ? '–' : unit.adjusted ? 'adjusted' : 'left as it is'}</td>
                <td style={{ color: ink.qualified }}>{unit.skipped.join(', ')}</td>
                <td>
                  {unit.check ? (
                    <Link to={`/checks/${unit.check}`}>{unit.check}</Link>
                  ) : unit.draft ? (
                    'ready'
                  ) : (
                    'put away'
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {refused.map((one) => (
        <p key={one.unit} role="alert" style={{ color: ink.void, margin: '6px 0' }}>
          <Link to={`/bench/${round.units.find((unit) => unit.id === one.unit)?.draft ?? ''}`}>
            {one.unit}
          </Link>
          : {one.why}
        </p>
      ))}
      <div className="fn-done">
        {open.length > 0 ? (
          <Button
            variant="contained"
            disabled={accept.isPending}
            onClick={() => accept.mutate(undefined)}
            sx={{ minHeight: 56, minWidth: 220, fontSize: '1.05rem' }}
          >
            Accept {plural(open.length, 'check')}&nbsp;<span className="fn-key">⏎</span>
          </Button>
        ) : (
          <Button component={Link} to="/bench" variant="outlined" sx={{ minHeight: 56 }}>
            To the bench
          </Button>
        )}
      </div>
    </section>
  );
}
