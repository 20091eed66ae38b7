import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useReportPart } from '../api/hooks';
import { Loading, Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';

type Report = Schemas['ClientReport'];
type Remark = Schemas['ReportRemark'];

/** One part of a report as it will be printed, paragraph by paragraph; of a draft with what people remarked. */
export function Part({
  report,
  part,
  edition,
  remarks,
  settles,
}: {
  report: Report;
  part: string;
  edition: number | null;
  /** Whether the person may remark, and settle what was remarked. */
  remarks: boolean;
  settles: boolean;
}) {
  const asked = useReportPart(report.id, part, edition);
  if (asked.isPending) {
    return <Loading />;
  }
  if (asked.isError) {
    return <Told problem={asked.error} />;
  }
  const { blocks } = asked.data;
  const own = edition === null ? report.remarks.filter((one) => one.block.startsWith(`${part}/`)) : [];
  const lost = own.filter((one) => !blocks.some((block) => block.id === one.block));
  return (
    <div className="paper">
      <div className={`part part-${part.replace(/:.*/, '')}`}>
        {lost.map((one) => (
          <Said key={one.id} report={report.id} remark={one} settles={settles} lost />
        ))}
        {blocks.map((block) => (
          <div key={block.id} className="fn-block">
            {/* Escaped by the server, which knows no other way to write it. */}
            <div dangerouslySetInnerHTML={{ __html: block.html }} />
            {own
              .filter((one) => one.block === block.id)
              .map((one) => (
                <Said key={one.id} report={report.id} remark={one} settles={settles} />
              ))}
            {remarks && <Remarking report={report.id} block={block.id} />}
          </div>
        ))}
      </div>
    </div>
  );
}

function Remarking({ report, block }: { report: string; block: string }) {
  const [text, setText] = useState<string | null>(null);
  const remark = useChange(
    (words: string) =>
      answer(
        api.POST('/api/reports/{id}/remarks', {
          params: { path: { id: report } },
          body: { block, text: words },
        }),
      ),
    () => setText(null),
  );
  if (text === null) {
    return (
      <Button size="small" className="fn-remarking fn-noprint" onClick={() => setText('')}>
        Remark
      </Button>
    );
  }
  return (
    <form
      className="fn-remark"
      onSubmit={(event) => {
        event.preventDefault();
        remark.mutate(text);
      }}
    >
      <TextField
        label="Remark on this paragraph"
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={remark.error?.of('text') !== undefined}
        helperText={remark.error?.of('text')}
        multiline
        fullWidth
        autoFocus
      />
      <div style={{ display: 'flex', gap: 10, marginTop: 6 }}>
        <Button type="submit" variant="contained" disabled={remark.isPending}>
          Keep the remark
        </Button>
        <Button onClick={() => setText(null)}>Cancel</Button>
      </div>
      {remark.error?.of('text') === undefined && <Told problem={remark.error} />}
    </form>
  );
}

/** What somebody remarked, and how it was settled. */
function Said({
  report,
  remark,
  settles,
  lost = false,
}: {
  report: string;
  remark: Remark;
  settles: boolean;
  /** Whether the paragraph is no longer there. */
  lost?: boolean;
}) {
  const [text, setText] = useState<string | null>(null);
  const settle = useChange(
    (words: string) =>
      answer(
        api.POST('/api/reports/{id}/remarks/{remark}/settled', {
          params: { path: { id: report, remark: String(remark.id) } },
          body: { text: words },
        }),
      ),
    () => setText(null),
  );
  return (
    <div className="fn-remark" style={remark.settled ? { color: ink.soft } : {}}>
      {lost && (
        <div style={{ color: ink.soft }}>
          On a paragraph that is no longer there: &ldquo;{remark.words}&rdquo;
        </div>
      )}
      <b>
        {remark.by}, {moment(remark.at)}:
      </b>{' '}
      {remark.text}
      {remark.settled && (
        <div>
          Settled by {remark.settled.by}, {moment(remark.settled.at)}: {remark.settled.text}
        </div>
      )}
      {!remark.settled && settles && text === null && (
        <div>
          <Button size="small" className="fn-noprint" onClick={() => setText('')}>
            Settle
          </Button>
        </div>
      )}
      {text !== null && (
        <form
          style={{ marginTop: 6 }}
          onSubmit={(event) => {
            event.preventDefault();
            settle.mutate(text);
          }}
        >
          <TextField
            label="How it is settled"
            value={text}
            onChange={(event) => setText(event.target.value)}
            error={settle.error?.of('text') !== undefined}
            helperText={settle.error?.of('text')}
            fullWidth
            autoFocus
          />
          <div style={{ display: 'flex', gap: 10, marginTop: 6 }}>
            <Button type="submit" variant="contained" disabled={settle.isPending}>
              It is settled
            </Button>
            <Button onClick={() => setText(null)}>Cancel</Button>
          </div>
          {settle.error?.of('text') === undefined && <Told problem={settle.error} />}
        </form>
      )}
    </div>
  );
}
