import Button from '@mui/material/Button';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useChange, usePeople } from '../api/hooks';
import { useAdding } from '../look/adding';
import { Lacking, Told } from '../look/Told';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { rolesOf } from '../shell/roles';
import { ChangePerson } from './ChangePerson';
import { AddPerson } from './AddPerson';
import { OneTimeCode } from './OneTimeCode';

type Person = Schemas['Person'];

/** Everybody who was ever let in. Names and codes stay, since results lean on them. */
export function People({ self }: { self: string }) {
  const people = usePeople();
  const [adding, setAdding] = useAdding();
  const [changing, setChanging] = useState<Person | null>(null);
  const [made, setMade] = useState<Schemas['Invited'] | null>(null);
  const code = useChange(
    (name: string) => answer(api.POST('/api/people/{name}/code', { params: { path: { name } } })),
    setMade,
  );
  const signOut = useChange((name: string) =>
    answer(api.POST('/api/people/{name}/sign-out', { params: { path: { name } } })),
  );
  if (people.data === undefined) {
    return <Lacking of={[people]} />;
  }
  return (
    <section aria-labelledby="people">
      <div style={{ display: 'flex', gap: 16, alignItems: 'baseline', flexWrap: 'wrap', marginTop: 28 }}>
        <h2 id="people" className="fn-title" style={{ margin: 0 }}>
          People
        </h2>
        <Button variant="contained" onClick={() => setAdding('person')}>
          Add a person
        </Button>
      </div>
      <Told problem={code.error ?? signOut.error} />
      <div style={{ overflowX: 'auto', marginTop: 10 }}>
        <table className="fn-table" style={{ minWidth: 760 }}>
          <thead>
            <tr>
              <th>Name</th>
              <th>Code</th>
              <th>May as</th>
              <th>Last said</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {people.data.people.map((person) => (
              <tr key={person.name}>
                <td>{person.name}</td>
                <td>{person.code}</td>
                <td style={person.roles.length === 0 ? { color: ink.soft } : undefined}>
                  {person.roles.length === 0 ? 'access ended' : rolesOf(person.roles)}
                  {person.roles.length > 0 && !person.hasPassword && (
                    <div style={{ color: ink.soft, fontSize: '0.88rem' }}>
                      {person.codeUntil === null
                        ? 'no password yet'
                        : `a one-time code waits until ${moment(person.codeUntil)}`}
                    </div>
                  )}
                </td>
                <td style={{ color: ink.soft, fontSize: '0.9rem' }}>
                  {person.said &&
                    `${person.said.by}, ${moment(person.said.at)}${person.said.reason === '' ? '' : `: ${person.said.reason}`}`}
                </td>
                <td>
                  <Button
                    size="small"
                    onClick={() => setChanging(person)}
                    aria-label={`Roles of ${person.name}`}
                  >
                    Roles
                  </Button>
                  {person.name !== self && person.roles.length > 0 && (
                    <>
                      <Button
                        size="small"
                        onClick={() => code.mutate(person.name)}
                        aria-label={`New code for ${person.name}`}
                      >
                        New code
                      </Button>
                      <Button
                        size="small"
                        onClick={() => signOut.mutate(person.name)}
                        aria-label={`Sign ${person.name} out everywhere`}
                      >
                        Sign out
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {adding === 'person' && (
        <AddPerson
          roles={people.data.roles}
          onClose={() => setAdding(null)}
          onAdded={(invited) => {
            setAdding(null);
            setMade(invited);
          }}
        />
      )}
      {changing && (
        <ChangePerson person={changing} roles={people.data.roles} onClose={() => setChanging(null)} />
      )}
      {made && <OneTimeCode made={made} onClose={() => setMade(null)} />}
    </section>
  );
}
