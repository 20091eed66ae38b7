import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { answer, api, type Refusal, type Schemas } from '../api/client';
import { useJournal } from '../api/hooks';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';

/** Every change, the newest first; each line's hash covers the one before. */
export function JournalView() {
  const journal = useJournal();
  const verify = useMutation<Schemas['JournalState'], Refusal>({
    mutationFn: () => answer(api.GET('/api/journal/verify')),
  });
  if (journal.isPending) {
    return <Loading />;
  }
  if (journal.isError) {
    return <Told problem={journal.error} />;
  }
  return (
    <>
      <div style={{ display: 'flex', gap: 16, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Journal
        </h1>
        <Button variant="outlined" onClick={() => verify.mutate()} disabled={verify.isPending}>
          Verify the chain
        </Button>
        <span role="status" style={{ color: verify.data?.fault ? ink.void : ink.valid, fontWeight: 600 }}>
          {verify.data &&
            (verify.data.fault
              ? `It does not hold: ${verify.data.fault}`
              : `It holds: ${verify.data.entries} entries`)}
        </span>
        <Told problem={verify.error} />
      </div>
      <div style={{ overflowX: 'auto', marginTop: 10 }}>
        <table className="fn-table" style={{ minWidth: 760, tableLayout: 'fixed' }}>
          <thead>
            <tr>
              <th style={{ width: 60 }} className="num">
                No.
              </th>
              <th style={{ width: 120 }}>When</th>
              <th style={{ width: 90 }}>Who</th>
              <th style={{ width: 170 }}>What</th>
              <th>Content</th>
              <th style={{ width: 110 }}>Hash</th>
            </tr>
          </thead>
          <tbody>
            {journal.data.entries.map((entry) => (
              <tr key={entry.sequence}>
                <td className="num fn-figure">{entry.sequence}</td>
                <td>{moment(entry.at)}</td>
                <td>{entry.actor}</td>
                <td>{entry.kind}</td>
                <td
                  style={{
                    color: ink.soft,
                    fontSize: '0.84rem',
                    overflow: 'hidden',
                    textOverflow: 'ellipsis',
                    whiteSpace: 'nowrap',
                  }}
                  title={entry.payload}
                >
                  {entry.payload}
                </td>
                <td className="fn-figure" style={{ color: ink.soft }}>
                  {entry.hash.slice(0, 10)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
