import { useSession } from '../api/hooks';
import { Loading } from '../look/Told';
import { maySteward } from '../shell/roles';
import { OwnAccess } from './OwnAccess';
import { People } from './People';

/** One's own access; for a steward everybody's. */
export function PeopleView() {
  const user = useSession().data?.user;
  if (!user) {
    return <Loading />;
  }
  return (
    <>
      <h1 className="fn-title">Your access</h1>
      <OwnAccess user={user} />
      {maySteward(user) && <People self={user.name} />}
    </>
  );
}
