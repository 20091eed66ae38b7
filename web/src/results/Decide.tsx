import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useAsOpened, useChange } from '../api/hooks';
import { Told } from '../look/Told';
import { VerdictSign } from '../look/VerdictSign';

export type Deciding = 'sign' | 'void' | 'overrule';
type Verdict = Schemas['Verdict'];

const verdicts: Verdict[] = ['valid', 'corrected', 'qualified', 'void'];

/** Asks for what a decision needs, and says what it does. */
export function Decide({
  page,
  kind,
  onClose,
}: {
  page: Schemas['ResultPage'];
  kind: Deciding;
  onClose: () => void;
}) {
  const { run, assessment, decisions, digest } = useAsOpened(page);
  const [reason, setReason] = useState('');
  const [verdict, setVerdict] = useState<Verdict | ''>('');
  const supersedes = decisions.length > 0;
  const covers = assessment.results.filter((one) => kind === 'void' || one.verdict !== 'open');
  const waiting = assessment.results.filter((one) => !covers.includes(one));
  // A later decision that only adds what was waiting changes nothing that was decided.
  const adds =
    (decisions[0]?.waiting.length ?? 0) > 0 &&
    (decisions[0]?.covers ?? []).every((one) =>
      assessment.results.some(
        (now) => now.key === one.key && now.verdict === one.verdict && now.value.shown === one.shown,
      ),
    );
  const needsReason = kind !== 'sign' || (supersedes && !adds);
  const decide = useChange(
    () =>
      answer(
        api.POST('/api/results/{run}/decision', {
          params: { path: { run: run.id } },
          body: {
            kind,
            digest,
            reason,
            after: decisions[0]?.id ?? null,
            ...(kind === 'overrule' && verdict !== '' ? { verdict } : {}),
          },
        }),
      ),
    onClose,
  );
  const titles = {
    sign: assessment.verdict === 'open' ? 'Sign what stands' : `Sign as ${assessment.verdict}`,
    void: 'Void this result',
    overrule: 'Overrule the proposal',
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="decide-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          decide.mutate(undefined);
        }}
      >
        <DialogTitle id="decide-title">{titles[kind]}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <p style={{ margin: 0 }}>
            {kind === 'sign'
              ? 'Inputs, policy, numbers and findings are frozen as they stand, with your code, the time and a digest.'
              : 'The proposal and your decision are both shown ever after.'}
            {supersedes && ' It supersedes the decision before, which stays on record.'}
          </p>
          <ul style={{ margin: 0, paddingLeft: 18, maxHeight: '40vh', overflowY: 'auto' }} tabIndex={0}>
            {covers.map((one) => (
              <li key={one.key}>
                {one.title}: {one.verdict === 'void' ? <s>{one.value.shown}</s> : one.value.shown} {one.unit}{' '}
                <VerdictSign verdict={one.verdict} />
              </li>
            ))}
          </ul>
          {waiting.length > 0 && (
            <p style={{ margin: 0 }}>
              Waiting, since open: {waiting.map((one) => one.title).join(', ')}. A later decision adds them.
            </p>
          )}
          {kind === 'overrule' && (
            <TextField
              select
              label="Verdict"
              required
              value={verdict}
              onChange={(event) => setVerdict(event.target.value as Verdict)}
            >
              {verdicts
                .filter((one) => one !== assessment.verdict)
                .map((one) => (
                  <MenuItem key={one} value={one}>
                    {one}
                  </MenuItem>
                ))}
            </TextField>
          )}
          <TextField
            label={needsReason ? 'Reason' : 'Reason (may stay empty)'}
            required={needsReason}
            multiline
            minRows={2}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            autoFocus
          />
          <Told problem={decide.error} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button
            type="submit"
            variant="contained"
            color={kind === 'void' ? 'error' : 'primary'}
            disabled={decide.isPending}
          >
            {titles[kind]}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
