import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useChange, useResult } from '../api/hooks';
import { Told } from '../look/Told';
import { clock } from '../look/words';

type Tone = Extract<Schemas['Assessment']['family'], { tones: unknown }>['tones'][number];

/** What looks like a calibrator's tone in the log, offered as evidence for a check; whether it counts is said below. */
export function Tones({ run }: { run: Schemas['Run'] }) {
  const result = useResult(run.id);
  const navigate = useNavigate();
  const take = useChange(
    async (tone: Tone) => {
      const path = { instrument: run.instrument };
      const draft = await answer(api.POST('/api/bench/{instrument}/check', { params: { path } }));
      return answer(
        api.PUT('/api/bench/drafts/{id}', {
          params: { path: { id: draft.id } },
          body: {
            version: draft.version,
            answers: {
              ...draft.answers,
              at: tone.from,
              adjusted: false,
              asFound: [{ value: tone.mean.toFixed(2), provenance: "from the unit's file" }],
            },
          },
        }),
      );
    },
    (draft) => void navigate(`/bench/${draft.id}`),
  );
  const family = result.data?.assessment.family;
  const tones = family && 'tones' in family ? family.tones : [];
  if (tones.length === 0) {
    return null;
  }
  return (
    <section>
      <h2>Tones in the log</h2>
      {tones.map((tone) => (
        <div key={tone.from} style={{ display: 'flex', gap: 14, alignItems: 'baseline', flexWrap: 'wrap' }}>
          <span>
            {clock(tone.from, run.campaign?.zone)} to {clock(tone.to, run.campaign?.zone)}, steady at{' '}
            <b className="fn-figure">{tone.mean.toFixed(2)} dB</b>.
          </span>
          <Button size="small" disabled={take.isPending} onClick={() => take.mutate(tone)}>
            Take as a check in between
          </Button>
        </div>
      ))}
      <Told problem={take.error} />
    </section>
  );
}
