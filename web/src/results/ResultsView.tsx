import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { LEDGER_FILTER, useLedger, type LedgerFilter } from '../api/hooks';
import type { Schemas } from '../api/client';
import { BracketSign } from '../look/BracketSign';
import { Empty, Loading, Told } from '../look/Told';
import { VerdictSign } from '../look/VerdictSign';
import { Practice } from '../look/Practice';
import { ink } from '../look/theme';
import { clock, moment, plural, shortDay, signed, told } from '../look/words';
import { Package } from '../report/Package';
import { useKeys } from '../shell/keys';
import { Choose } from './Choose';

type Row = Schemas['LedgerRow'];

/** The ledger of a campaign: bracket sign, result, drift, verdict; keyboard through it. */
export function ResultsView() {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const filter: LedgerFilter = Object.fromEntries(
    LEDGER_FILTER.flatMap((name) => {
      const value = search.get(name);
      return value ? [[name, value]] : [];
    }),
  );
  const ledger = useLedger(filter);
  const [current, setCurrent] = useState(0);
  const [packing, setPacking] = useState(false);
  const rows = ledger.data?.rows ?? [];
  const page = Number(filter.page ?? '1');
  const pages = Math.max(1, Math.ceil((ledger.data?.total ?? 0) / (ledger.data?.pageSize ?? 50)));
  const line = useRef<HTMLTableRowElement>(null);
  const moved = useRef(false);
  useEffect(() => {
    if (moved.current) {
      line.current?.focus();
    }
  }, [current]);
  const move = (by: number) => {
    moved.current = true;
    setCurrent((now) => Math.min(Math.max(0, now + by), Math.max(0, rows.length - 1)));
  };
  const turn = (to: number) => {
    if (to >= 1 && to <= pages) {
      set('page', String(to));
    }
  };
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value) {
      next.set(name, value);
    } else {
      next.delete(name);
    }
    if (name !== 'page') {
      next.delete('page');
    }
    setCurrent(0);
    setSearch(next);
  };
  const down = (event: KeyboardEvent) => {
    event.preventDefault();
    move(1);
  };
  const up = (event: KeyboardEvent) => {
    event.preventDefault();
    move(-1);
  };
  useKeys({
    j: down,
    ArrowDown: down,
    k: up,
    ArrowUp: up,
    n: () => turn(page + 1),
    b: () => turn(page - 1),
    Enter: (event) => {
      const row = rows[current];
      if (
        row &&
        !(event.target instanceof HTMLAnchorElement) &&
        !(event.target instanceof HTMLButtonElement)
      ) {
        void navigate(`/results/${row.run}`);
      }
    },
  });
  const columns = [
    ...new Set(
      rows.flatMap((row) => row.results.flatMap((one) => (one.column === null ? [] : [one.column]))),
    ),
  ];
  const query = new URLSearchParams(filter).toString();
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, alignItems: 'center', marginBottom: 10 }}>
        <h1 className="fn-title" style={{ margin: 0, marginRight: 12 }}>
          Results
        </h1>
        <Choose
          filter={filter}
          set={set}
          clear={() => {
            setCurrent(0);
            setSearch({});
          }}
        />
        <span style={{ flex: 1 }} />
        <Link to="/unsettled">Not settled yet</Link>
        {filter.campaign && <Link to={`/reports?begin=${filter.campaign}`}>Report</Link>}
        {filter.campaign && (
          <button type="button" className="fn-link" onClick={() => setPacking(true)}>
            Data package
          </button>
        )}
        <a href={`/api/results.csv${query ? `?${query}` : ''}`}>CSV</a>
        <a href={`/api/results.csv?${query ? `${query}&` : ''}decimal=comma`}>CSV with decimal commas</a>
      </div>
      {packing && filter.campaign && (
        <Dialog open onClose={() => setPacking(false)} aria-labelledby="packing">
          <DialogTitle id="packing">Data package of {filter.campaign}</DialogTitle>
          <DialogContent sx={{ maxWidth: 520 }}>
            <p style={{ margin: '0 0 8px' }}>
              All evidence of the campaign, results as tables and as a spreadsheet, pictures, reports as they
              were issued, and a script that works every figure out again without this application.
            </p>
            <Package of={{ campaign: filter.campaign }} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setPacking(false)}>Close</Button>
          </DialogActions>
        </Dialog>
      )}
      {ledger.isPending && <Loading />}
      {ledger.isError && <Told problem={ledger.error} />}
      {ledger.data && rows.length === 0 && (
        <Empty title="No result here">
          {query
            ? 'No run answers this choice. Widen it above.'
            : 'Results appear when a run has been started. '}
          {!query && <Link to="/runs/new">Start a run</Link>}
        </Empty>
      )}
      {ledger.data && ledger.data.waiting > 0 && (
        <p role="status" style={{ color: ink.qualified }}>
          {plural(ledger.data.waiting, 'run')} {ledger.data.waiting === 1 ? 'waits' : 'wait'} to be worked out
          and may belong here.{' '}
          <Button disabled={ledger.isFetching} onClick={() => void ledger.refetch()}>
            Work out more of them
          </Button>
        </p>
      )}
      {rows.length > 0 && (
        <div style={{ overflowX: 'auto' }}>
          <table className="fn-table fn-ledger">
            <caption className="fn-hidden">Ledger of results; j and k move, Enter opens</caption>
            <thead>
              <tr>
                <th>Run</th>
                <th>Who and what</th>
                <th>Bracket</th>
                <th className="num">Result</th>
                {columns.map((column) => (
                  <th key={column} className="num fn-wide">
                    {column}
                  </th>
                ))}
                <th className="num">Drift</th>
                <th>Proposed</th>
                <th>Decided</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row, place) => (
                <tr
                  key={row.run}
                  ref={place === current ? line : undefined}
                  tabIndex={place === current ? 0 : -1}
                  aria-current={place === current ? 'true' : undefined}
                  className={`fn-row-link ${place === current ? 'fn-row-current' : ''}`}
                  onClick={() => void navigate(`/results/${row.run}`)}
                  onFocus={() => setCurrent(place)}
                >
                  <Line row={row} columns={columns} />
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {(ledger.data?.withdrawn.length ?? 0) > 0 && (
        <section aria-labelledby="withdrawn">
          <h2 id="withdrawn">Withdrawn</h2>
          {ledger.data?.withdrawn.map((run) => (
            <p key={run.run} style={{ margin: '2px 0', color: ink.soft }}>
              <Link to={`/runs/${run.run}`}>{run.run}</Link>, {run.instrument}, {run.person}, {run.task},{' '}
              {moment(run.start)}: withdrawn by {run.by}, {moment(run.at)}, &ldquo;{run.reason}&rdquo;
            </p>
          ))}
        </section>
      )}
      {ledger.data && ledger.data.total > 0 && (
        <div style={{ display: 'flex', gap: 12, alignItems: 'center', marginTop: 12, color: ink.soft }}>
          {plural(ledger.data.total, 'result')}
          {pages > 1 && (
            <>
              <Button disabled={page <= 1} onClick={() => turn(page - 1)}>
                Page before
              </Button>
              page {page} of {pages}
              <Button disabled={page >= pages} onClick={() => turn(page + 1)}>
                Next page
              </Button>
            </>
          )}
          <span>
            <b aria-hidden="true">›</b> crosses a limit · <b aria-hidden="true">≷</b> undecided: it could lie
            on either side
          </span>
        </div>
      )}
    </>
  );
}

function Line({ row, columns }: { row: Row; columns: string[] }) {
  const main = row.results.find((result) => result.key === row.headline);
  const others = row.results.filter(
    (result) => result !== main && result.column === null && (result.crossed || result.undecided),
  );
  // The drift beside a number is that of its own channel.
  const drift = main ? main.drift : row.drift;
  return (
    <>
      <td style={{ whiteSpace: 'nowrap' }}>
        <Link to={`/results/${row.run}`} tabIndex={-1} style={{ fontWeight: 650, textDecoration: 'none' }}>
          {row.run}
        </Link>
        <div style={{ color: ink.soft, fontSize: '0.82rem' }}>
          {row.instrument} · {shortDay(row.start)} {row.practice && <Practice />}
        </div>
      </td>
      <td style={{ maxWidth: 240 }}>
        <div style={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
          <b style={{ fontWeight: 600 }}>{row.person}</b> {row.task}
        </div>
        <div style={{ color: ink.soft, fontSize: '0.82rem' }}>
          {clock(row.start)} to {row.stop ? clock(row.stop) : 'now'}, {row.place || 'no place'}
        </div>
      </td>
      <td>
        {row.bracket && (
          <BracketSign bracket={row.bracket} struck={(row.decision?.verdict ?? row.verdict) === 'void'} />
        )}
      </td>
      <td className="num">
        <Value result={main} /> <span style={{ color: ink.soft, fontSize: '0.82rem' }}>{main?.unit}</span>
        {main && main.verdict !== row.verdict && (
          <div style={{ fontSize: '0.82rem' }}>
            <VerdictSign verdict={main.verdict} />
          </div>
        )}
        {main && main.unit !== 'dB(A)' && (
          <div style={{ color: ink.soft, fontSize: '0.82rem' }}>{main.title.replace('over 8 h, ', '')}</div>
        )}
        {others.map((result) => (
          <div key={result.key} style={{ fontSize: '0.82rem' }}>
            <Value result={result} />{' '}
            <span style={{ color: ink.soft }}>
              {result.unit} {result.title.replace('over 8 h, ', '')}
            </span>
          </div>
        ))}
      </td>
      {columns.map((column) => (
        <td key={column} className="num fn-wide">
          <Value result={row.results.find((result) => result.column === column)} />
        </td>
      ))}
      <td className="num fn-figure">{drift ? `${signed(drift.shown)} ${drift.unit}` : '–'}</td>
      <td style={{ maxWidth: 210 }}>
        <VerdictSign verdict={row.verdict} />
        {row.standing && row.standing.of > 1 && row.standing.stand < row.standing.of && (
          <b>
            {' '}
            {row.standing.stand} of {row.standing.of} stand
          </b>
        )}
        <div style={{ color: ink.soft, fontSize: '0.82rem' }}>{row.cure ?? row.finding}</div>
      </td>
      <td>
        {row.decision ? (
          <>
            <VerdictSign verdict={row.decision.verdict} />
            <div
              style={{
                color: row.decision.stale ? ink.void : ink.soft,
                fontSize: '0.82rem',
                fontWeight: row.decision.stale ? 650 : 400,
                whiteSpace: 'nowrap',
              }}
            >
              {row.decision.stale
                ? 'says otherwise now'
                : `${row.decision.kind === 'sign' ? 'signed' : row.decision.kind === 'void' ? 'voided' : 'overruled'} by ${row.decision.by}`}
            </div>
          </>
        ) : (
          <span style={{ color: ink.soft, whiteSpace: 'nowrap' }}>not yet</span>
        )}
      </td>
    </>
  );
}

function Value({ result }: { result: Schemas['LedgerResult'] | undefined }) {
  if (!result) {
    return <span style={{ color: ink.soft }}>–</span>;
  }
  return (
    <span
      className="fn-figure"
      style={{ fontWeight: result.crossed && result.verdict !== 'void' ? 700 : 400 }}
    >
      {result.undecided && (
        <span role="img" aria-label="undecided " style={{ color: ink.qualified }}>
          ≷{' '}
        </span>
      )}
      {result.crossed && (
        <span role="img" aria-label="crosses a limit ">
          ›{' '}
        </span>
      )}
      {told(result.key, result.shown)}
    </span>
  );
}
