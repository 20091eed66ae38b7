import Button from '@mui/material/Button';
import { useState } from 'react';
import { NavLink, Outlet, useNavigate } from 'react-router';
import { useLeave, useSession } from '../api/hooks';
import { AwayBar } from '../away/AwayBar';
import { useAway } from '../away/useAway';
import { FirstResult } from '../first/FirstResult';
import { Loading } from '../look/Told';
import { zoneOfSite } from '../look/site';
import { ink } from '../look/theme';
import { KeySheet } from './KeySheet';
import { useKeys } from './keys';
import { firstOf, mayRecord, rolesOf } from './roles';
import { Search } from './Search';
import { SignIn } from './SignIn';
import { Timers } from './Timers';

const places = [
  { to: '/', word: 'Day', key: 'd' },
  { to: '/bench', word: 'Bench', key: 'b' },
  { to: '/results', word: 'Results', key: 'r' },
  { to: '/reports', word: 'Reports', key: 'o' },
  { to: '/laboratory', word: 'Laboratory', key: 'a' },
  { to: '/plan', word: 'Plan', key: 'n' },
  { to: '/dates', word: 'Dates', key: 't' },
  { to: '/kit', word: 'Kit', key: 'k' },
  { to: '/policies', word: 'Policies', key: 'p' },
  { to: '/journal', word: 'Journal', key: 'l' },
];

/** The frame of every view: where one can go, who is signed in, and the sheet of keys. */
export function Shell() {
  const session = useSession();
  const navigate = useNavigate();
  const [sheet, setSheet] = useState(false);
  const [searching, setSearching] = useState(false);
  const [going, setGoing] = useState(false);
  const [more, setMore] = useState(false);
  const leave = useLeave();
  useAway(session.data?.user ?? null);
  useKeys({
    '?': () => setSheet(true),
    '/': () => setSearching(true),
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
  // Where it could not be read, the form stands; reading it once more must not take away what is being typed into it.
  if (session.isPending && session.errorUpdateCount === 0) {
    return <Loading />;
  }
  const user = session.data?.user;
  if (!user) {
    return <SignIn />;
  }
  const wanted = firstOf(user);
  return (
    <>
      <header className="fn-top fn-noprint">
        <div>
          <span className="fn-brand">
            Footnote<sup style={{ fontSize: '0.6em', color: ink.press }}>1</sup>
          </span>
          <div className={more ? 'fn-bar fn-bar-open' : 'fn-bar'}>
            <nav aria-label="Views" className="fn-views">
              {places.map((place) => (
                <NavLink
                  key={place.to}
                  to={place.to}
                  end={place.to === '/'}
                  className={wanted.includes(place.to) ? 'fn-place fn-place-main' : 'fn-place'}
                  onClick={() => setMore(false)}
                >
                  {place.word}
                </NavLink>
              ))}
              <button
                type="button"
                className="fn-place fn-place-main fn-more"
                aria-expanded={more}
                onClick={() => setMore(!more)}
              >
                {more ? 'Less' : 'More'}
              </button>
            </nav>
            <div className="fn-self">
              <NavLink
                to="/people"
                aria-label={`Your access: ${user.code}, ${rolesOf(user.roles.map((held) => held.role))}`}
                style={{ color: ink.soft, fontSize: '0.9rem', textUnderlineOffset: 3 }}
                onClick={() => setMore(false)}
              >
                {user.code},{' '}
                {user.roles.length > 2 ? 'several roles' : rolesOf(user.roles.map((held) => held.role))}
              </NavLink>
              {zoneOfSite() && (
                <span style={{ color: ink.soft, fontSize: '0.82rem' }} title="Times are those of the site">
                  {zoneOfSite()}
                </span>
              )}
              <Button size="small" sx={{ minWidth: 0 }} onClick={() => setSearching(true)}>
                Search /
              </Button>
              <Button size="small" sx={{ minWidth: 0 }} onClick={() => setSheet(true)}>
                Keys ?
              </Button>
              <Button size="small" sx={{ minWidth: 0 }} onClick={() => leave.mutate()}>
                Sign out
              </Button>
            </div>
          </div>
        </div>
      </header>
      <AwayBar person={user.code} />
      <Timers records={mayRecord(user)} />
      <FirstResult />
      <main className="fn-main">
        <Outlet />
      </main>
      {searching && <Search onClose={() => setSearching(false)} />}
      <KeySheet open={sheet} onClose={() => setSheet(false)} />
    </>
  );
}
