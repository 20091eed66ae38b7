import Button from '@mui/material/Button';
import { Link, useNavigate } from 'react-router';
import { useDayPlans, useSession } from '../api/hooks';
import { Empty, Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { day, plural } from '../look/words';
import { mayRecord } from '../shell/roles';

/** The days that are planned, what is ahead apart from what is over. */
export function PlansView() {
  const asked = useDayPlans();
  const session = useSession();
  const navigate = useNavigate();
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const { items, today } = asked.data;
  const may = mayRecord(session.data?.user);
  const head = (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 14px', alignItems: 'baseline' }}>
      <h1 className="fn-title" style={{ margin: 0 }}>
        Plan
      </h1>
      <span style={{ flex: 1 }} />
      <Button size="small" onClick={() => void navigate('/plan/sample')}>
        Volume of a sample
      </Button>
      {may && (
        <Button size="small" variant="contained" onClick={() => void navigate('/plan/new')}>
          Plan a day
        </Button>
      )}
    </div>
  );
  if (items.length === 0) {
    return (
      <>
        {head}
        <Empty title="No day is planned">
          Say who is to be measured, where and from when to when: the plan counts back to the minute at which
          the first unit is switched on, and says what does not go.
        </Empty>
      </>
    );
  }
  const groups = [
    ['Today and ahead', items.filter((one) => one.day >= today).toReversed()],
    ['Over', items.filter((one) => one.day < today)],
  ] as const;
  return (
    <>
      {head}
      {groups
        .filter(([, some]) => some.length > 0)
        .map(([title, some]) => (
          <section key={title} aria-label={title} className="fn-dates">
            <h2 style={{ margin: 0 }}>{title}</h2>
            <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
              {some.map((one) => (
                <li key={one.id} className="fn-date">
                  <Link to={`/plan/${one.id}`}>{day(`${one.day}T12:00:00Z`, 'UTC')}</Link>
                  <span>
                    {plural(one.wanted, 'measurement')}
                    {one.short > 0 && <b style={{ color: ink.void }}> · {one.short} not as wanted</b>}
                    <span style={{ display: 'block', fontSize: '0.86rem', color: ink.soft }}>
                      {one.id}, {one.campaign}, {one.by}
                      {one.version > 1 && `, planned ${one.version} times`}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
          </section>
        ))}
    </>
  );
}
