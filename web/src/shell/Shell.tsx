import Button from '@mui/material/Button';
import { useState } from 'react';
import { NavLink, Outlet, useNavigate } from 'react-router';
import { answer, api, queries } from '../api/client';
import { useChange, useSession } from '../api/hooks';
import { Loading } from '../look/Told';
import { zoneOfSite } from '../look/site';
import { ink, serif } from '../look/theme';
import { KeySheet } from './KeySheet';
import { useKeys } from './keys';
import { rolesOf } from './roles';
import { SignIn } from './SignIn';

const places = [
  { to: '/', word: 'Day', key: 'd' },
  { to: '/bench', word: 'Bench', key: 'b' },
  { to: '/results', word: 'Results', key: 'r' },
  { to: '/laboratory', word: 'Laboratory', key: 'a' },
  { to: '/plan', word: 'Plan', key: 'n' },
  { to: '/kit', word: 'Kit', key: 'k' },
  { to: '/policies', word: 'Policies', key: 'p' },
  { to: '/journal', word: 'Journal', key: 'l' },
];

/** The frame of every view: where one can go, who is signed in, and the sheet of keys. */
export function Shell() {
  const session = useSession();
  const navigate = useNavigate();
  const [sheet, setSheet] = useState(false);
  const [going, setGoing] = useState(false);
  const leave = useChange(
    () => answer(api.POST('/api/session/end')),
    () => queries.clear(),
  );
  useKeys({
    '?': () => setSheet(true),
    g: () => {
      setGoing(true);
      window.setTimeout(() => setGoing(false), 1200);
    },
    ...Object.fromEntries(
      places.map((place) => [
        place.key,
        () => {
          if (going) {
            setGoing(false);
            void navigate(place.to);
          }
        },
      ]),
    ),
  });
  if (session.isPending) {
    return <Loading />;
  }
  const user = session.data?.user;
  if (!user) {
    return <SignIn />;
  }
  return (
    <>
      <header className="fn-noprint" style={{ borderBottom: `1px solid ${ink.text}`, background: ink.paper }}>
        <div
          style={{
            maxWidth: 1240,
            margin: '0 auto',
            padding: '0 20px',
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'baseline',
            columnGap: 16,
          }}
        >
          <span style={{ fontFamily: serif, fontSize: '1.2rem', fontWeight: 600, padding: '9px 0' }}>
            Footnote<sup style={{ fontSize: '0.6em', color: ink.press }}>1</sup>
          </span>
          <nav aria-label="Views" style={{ display: 'flex', flexWrap: 'wrap', columnGap: 4, flex: 1 }}>
            {places.map((place) => (
              <NavLink
                key={place.to}
                to={place.to}
                end={place.to === '/'}
                style={({ isActive }) => ({
                  padding: '11px 8px 9px',
                  textDecoration: 'none',
                  color: isActive ? ink.text : ink.press,
                  fontWeight: isActive ? 700 : 500,
                  borderBottom: `3px solid ${isActive ? ink.text : 'transparent'}`,
                })}
              >
                {place.word}
              </NavLink>
            ))}
          </nav>
          <NavLink
            to="/people"
            aria-label={`Your access: ${user.code}, ${rolesOf(user.roles.map((held) => held.role))}`}
            style={{ color: ink.soft, fontSize: '0.9rem', textUnderlineOffset: 3 }}
          >
            {user.code},{' '}
            {user.roles.length > 2 ? 'several roles' : rolesOf(user.roles.map((held) => held.role))}
          </NavLink>
          {zoneOfSite() && (
            <span style={{ color: ink.soft, fontSize: '0.82rem' }} title="Times are those of the site">
              {zoneOfSite()}
            </span>
          )}
          <Button size="small" sx={{ minWidth: 0 }} onClick={() => setSheet(true)}>
            Keys ?
          </Button>
          <Button size="small" sx={{ minWidth: 0 }} onClick={() => leave.mutate(undefined)}>
            Sign out
          </Button>
        </div>
      </header>
      <main style={{ maxWidth: 1240, margin: '0 auto', padding: '16px 20px 64px' }}>
        <Outlet />
      </main>
      <KeySheet open={sheet} onClose={() => setSheet(false)} />
    </>
  );
}
