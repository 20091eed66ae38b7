import { answer, api, type Schemas } from '../api/client';
import { useChange } from '../api/hooks';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { Mind, StepBody } from './StepBody';
import { type Answers, useDraft } from './useDraft';

/** The reference is chosen once, for all units that nothing was read of yet. */
export function RoundReference({ round, draft: id }: { round: Schemas['Round']; draft: string }) {
  const { query, draft, answers } = useDraft(id);
  const choose = useChange(({ reference, setting }: { reference: string; setting?: string }) =>
    answer(
      api.POST('/api/bench/rounds/{id}/reference', {
        params: { path: { id: round.id } },
        body: { reference, ...(setting === undefined ? {} : { setting }) },
      }),
    ),
  );
  const step = draft?.procedure.steps.find((one) => one.kind === 'reference');
  if (!draft || !step) {
    return <Lacking of={[query]} />;
  }
  const take = ({ reference, setting }: Partial<Answers>) => {
    if (reference !== undefined) {
      choose.mutate({ reference, ...(setting === undefined ? {} : { setting }) });
    }
  };
  return (
    <section>
      <h2 className="fn-title" style={{ fontSize: '1.5rem', margin: '0 0 2px' }}>
        {step.title}, for all {round.units.length}
      </h2>
      <p style={{ fontSize: '1.08rem', margin: '2px 0' }}>{step.instruction}</p>
      <p style={{ color: ink.soft, margin: '0 0 14px' }}>{step.why}</p>
      <Mind step={step} />
      <StepBody
        step={{ ...step, fields: [] }}
        draft={draft}
        answers={answers}
        put={take}
        onChosen={take}
        onEnter={() => undefined}
      />
      <Told problem={choose.error} />
    </section>
  );
}
