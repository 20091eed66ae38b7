import Button from '@mui/material/Button';
import { answer, api } from '../api/client';
import { goesOn, ofEdition, useChange, usePrinting } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';

const papers = ['A4', 'Letter'] as const;

/** The report on paper: printed beside, and fetched when it is done. */
export function Prints({
  report,
  edition,
  starts,
}: {
  report: string;
  edition: number | null;
  /** Whether the person may begin it; whoever reads may fetch it. */
  starts: boolean;
}) {
  return (
    <section aria-labelledby="prints">
      <h2 id="prints">PDF</h2>
      {papers.map((paper) => (
        <Print key={paper} report={report} edition={edition} paper={paper} starts={starts} />
      ))}
    </section>
  );
}

function Print({
  report,
  edition,
  paper,
  starts,
}: {
  report: string;
  edition: number | null;
  paper: (typeof papers)[number];
  starts: boolean;
}) {
  const query = { paper, ...ofEdition(edition) };
  const asked = usePrinting(report, edition, paper);
  const start = useChange(() =>
    answer(api.POST('/api/reports/{id}/print', { params: { path: { id: report }, query } })),
  );
  const told = asked.data;
  const isUnderWay = goesOn(told);
  return (
    <div aria-live="polite" style={{ minHeight: 34 }}>
      {told?.isThere && (
        <a href={`/api/reports/${report}/pdf?${new URLSearchParams(query).toString()}`}>{paper}</a>
      )}
      {told && !told.isThere && !isUnderWay && starts && (
        <Button size="small" disabled={start.isPending} onClick={() => start.mutate(undefined)}>
          Print on {paper}
        </Button>
      )}
      {told && !told.isThere && !isUnderWay && !starts && (
        <span style={{ color: ink.soft }}>not printed on {paper}</span>
      )}
      {told && isUnderWay && (
        <span>
          {paper}: {told.of > 0 ? `${told.done} of ${told.of} results ${told.what}` : 'begun'} …
        </span>
      )}
      {told?.state === 'failed' && !told.isThere && <Told problem={new Error(told.words)} />}
      <Told problem={start.error} />
    </div>
  );
}
