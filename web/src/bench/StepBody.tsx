import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';
import type { Answers } from './useDraft';
import { secondsLeft } from './wait';

interface Props {
  step: Schemas['Step'];
  draft: Schemas['Draft'];
  answers: Answers;
  put: (change: Partial<Answers>) => void;
  onEnter: () => void;
}

/** What a step asks, by its kind. */
export function StepBody(props: Props) {
  switch (props.step.kind) {
    case 'reference':
      return <ChooseReference {...props} />;
    case 'wait':
      return <Wait key={props.step.id} {...props} />;
    case 'readings':
      return props.step.id === 'as-left' ? (
        <Readings {...props} name="asLeft" />
      ) : (
        <Readings {...props} name="asFound" />
      );
    case 'adjust':
      return <Adjusted {...props} />;
    default:
      return null;
  }
}

function ChooseReference({ draft, answers, put }: Props) {
  return (
    <div role="radiogroup" aria-label="Calibrator and level" style={{ display: 'grid', gap: 6 }}>
      {draft.references.length === 0 && <p>No calibrator is registered. A steward adds one under Kit.</p>}
      {draft.references.map((reference) => (
        <div key={reference.id} style={{ borderTop: `1px solid ${ink.rule}`, paddingTop: 6 }}>
          <div>
            <b>{reference.id}</b>{' '}
            <span style={{ color: ink.soft }}>
              {reference.model}, adapters {reference.adapters.join(', ') || 'none'}
            </span>
          </div>
          {reference.problems.map((problem) => (
            <div key={problem} style={{ color: ink.qualified, fontWeight: 600 }}>
              {problem}
            </div>
          ))}
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, marginTop: 4 }}>
            {reference.levels.map((level) => {
              const on = answers.reference === reference.id && answers.nominal === level.nominal;
              return (
                <Button
                  key={level.nominal}
                  role="radio"
                  aria-checked={on}
                  variant={on ? 'contained' : 'outlined'}
                  onClick={() => put({ reference: reference.id, nominal: level.nominal })}
                  sx={{ minHeight: 48 }}
                >
                  {level.nominal} dB{level.frequency ? `, ${level.frequency} Hz` : ''}, certified{' '}
                  {level.certified}
                </Button>
              );
            })}
          </div>
        </div>
      ))}
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, marginTop: 8 }}>
        {(
          [
            ['entered', 'Level the meter expects, dB'],
            ['microphoneCorrection', 'Microphone correction, dB'],
            ['pressureCorrection', 'Pressure correction, dB'],
          ] as const
        ).map(([name, label]) => (
          <TextField
            key={name}
            label={label}
            value={answers[name] ?? ''}
            onChange={(event) => put({ [name]: event.target.value })}
            sx={{ width: 230 }}
            slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
          />
        ))}
      </div>
      <p style={{ color: ink.soft, margin: 0, fontSize: '0.88rem' }}>
        Corrections as the manuals of microphone and calibrator give them; empty is none.
      </p>
    </div>
  );
}

function Wait({ step, answers }: Props) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = window.setInterval(() => setNow(Date.now()), 250);
    return () => window.clearInterval(timer);
  }, []);
  const left = secondsLeft(step, answers, now);
  const began = answers.waits?.[step.id] !== undefined;
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 18 }}>
      <span className="fn-figure" style={{ fontSize: '3rem', minWidth: 90 }} aria-live="off">
        {left} s
      </span>
      <span>
        {!began
          ? 'Start the timer when the tone is on.'
          : left > 0
            ? 'Waiting.'
            : 'Time is up. Go on where the level stands still; skip where it does not.'}
      </span>
    </div>
  );
}

const grades = ['typed', 'read back', 'photographed', "from the unit's file", 'stand-in'];

function Readings({ draft, answers, put, name, onEnter }: Props & { name: 'asFound' | 'asLeft' }) {
  const list = answers[name] ?? [];
  const shown = list.length > 0 ? list : [{ value: '', provenance: 'typed' }];
  const change = (place: number, part: Partial<Schemas['DraftReading']>) =>
    put({ [name]: shown.map((reading, i) => (i === place ? { ...reading, ...part } : reading)) });
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      {shown.map((reading, place) => (
        <div key={place} style={{ display: 'flex', flexWrap: 'wrap', gap: 10 }}>
          <TextField
            label={`Reading ${shown.length > 1 ? place + 1 : ''} dB`}
            value={reading.value}
            autoFocus={place === 0}
            onChange={(event) => change(place, { value: event.target.value })}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                onEnter();
              }
            }}
            slotProps={{
              htmlInput: {
                inputMode: 'decimal',
                style: { fontSize: '1.9rem', width: 150, padding: '10px 14px' },
              },
            }}
          />
          <TextField
            select
            label="How it came"
            value={reading.provenance}
            onChange={(event) => change(place, { provenance: event.target.value })}
            sx={{ minWidth: 190 }}
          >
            {grades.map((grade) => (
              <MenuItem key={grade} value={grade}>
                {grade}
              </MenuItem>
            ))}
          </TextField>
        </div>
      ))}
      <div>
        <Button size="small" onClick={() => put({ [name]: [...shown, { value: '', provenance: 'typed' }] })}>
          Another reading
        </Button>
      </div>
      {draft.unit.selfAdjusting && name === 'asFound' && (
        <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
          <TextField
            label="Factor before, dB"
            value={answers.factorBefore ?? ''}
            onChange={(event) => put({ factorBefore: event.target.value })}
          />
          <TextField
            label="Factor after, dB"
            value={answers.factorAfter ?? ''}
            onChange={(event) => put({ factorAfter: event.target.value })}
          />
        </div>
      )}
    </div>
  );
}

function Adjusted({ answers, put }: Props) {
  return (
    <ToggleButtonGroup
      exclusive
      aria-label="Was the unit adjusted?"
      value={
        answers.adjusted === undefined || answers.adjusted === null ? null : answers.adjusted ? 'yes' : 'no'
      }
      onChange={(_, value: string | null) => value !== null && put({ adjusted: value === 'yes' })}
    >
      <ToggleButton value="no" sx={{ minHeight: 56, px: 3 }}>
        Left as it is
      </ToggleButton>
      <ToggleButton value="yes" sx={{ minHeight: 56, px: 3 }}>
        Adjusted
      </ToggleButton>
    </ToggleButtonGroup>
  );
}
