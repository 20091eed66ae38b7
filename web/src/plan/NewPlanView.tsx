import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { useCampaigns, useChange, useDayPlan, useDayPlans, useSession } from '../api/hooks';
import { Lacking } from '../look/Told';
import { AskDay } from './AskDay';
import { beginning, type DayAsked } from './asked';

/** A day is planned anew, with the people, places and hands of the last plan. */
export function NewPlanView() {
  const plans = useDayPlans();
  const campaigns = useCampaigns();
  const session = useSession();
  const lastId = plans.data?.items[0]?.id;
  const last = useDayPlan(lastId ?? '', lastId !== undefined);
  const navigate = useNavigate();
  const make = useChange(
    (body: DayAsked) => answer(api.POST('/api/plans', { body })),
    (made) => void navigate(`/plan/${made.id}`),
  );
  if (
    plans.data === undefined ||
    campaigns.data === undefined ||
    (lastId !== undefined && last.data === undefined)
  ) {
    return <Lacking of={[plans, campaigns, last]} />;
  }
  const campaign = campaigns.data.campaigns.at(-1)?.id ?? '';
  return (
    <>
      <h1 className="fn-title" style={{ margin: '0 0 14px' }}>
        Plan a day
      </h1>
      <AskDay
        first={beginning(
          plans.data.today,
          last.data?.campaign ?? campaign,
          session.data?.user?.code ?? '',
          last.data?.asked,
        )}
        word="Plan it"
        busy={make.isPending}
        problem={make.error}
        plan={(asked) => make.mutate(asked)}
      />
    </>
  );
}
