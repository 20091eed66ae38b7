import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Refusal, type Schemas } from '../api/client';
import { useChange, useReportPart } from '../api/hooks';
import { Lacking, Told } from '../look/Told';
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
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
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
  const [open, setOpen] = useState(false);
  const remark = useChange(
    (text: string) =>
      answer(
        api.POST('/api/reports/{id}/remarks', { params: { path: { id: report } }, body: { block, text } }),
      ),
    () => setOpen(false),
  );
  if (!open) {
    return (
      <Button size="small" className="fn-remarking fn-noprint" onClick={() => setOpen(true)}>
        Remark
      </Button>
    );
  }
  return (
    <div className="fn-remark">
      <Saying
        label="Remark on this paragraph"
        action="Keep the remark"
        change={remark}
        onClose={() => setOpen(false)}
      />
    </div>
  );
}

/** Words that are typed and kept; they stay where the server refuses them. */
function Saying({
  label,
  action,
  change,
  onClose,
}: {
  label: string;
  action: string;
  change: { mutate: (text: string) => void; isPending: boolean; error: Refusal | null };
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const wrong = change.error?.of('text');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(text);
      }}
    >
      <TextField
        label={label}
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={wrong !== undefined}
        helperText={wrong}
        multiline
        fullWidth
        autoFocus
      />
      <div style={{ display: 'flex', gap: 10, marginTop: 6 }}>
        <Button type="submit" variant="contained" disabled={change.isPending}>
          {action}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
      {wrong === undefined && <Told problem={change.error} />}
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
  const [open, setOpen] = useState(false);
  const settle = useChange(
    (text: string) =>
      answer(
        api.POST('/api/reports/{id}/remarks/{remark}/settled', {
          params: { path: { id: report, remark: String(remark.id) } },
          body: { text },
        }),
      ),
    () => setOpen(false),
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
      {!remark.settled && settles && !open && (
        <div>
          <Button size="small" className="fn-noprint" onClick={() => setOpen(true)}>
            Settle
          </Button>
        </div>
      )}
      {open && (
        <Saying
          label="How it is settled"
          action="It is settled"
          change={settle}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}
