import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useDates, useSession } from '../api/hooks';
import { Empty, Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { clock, day, plural, unconfirmed } from '../look/words';
import { mayRecord } from '../shell/roles';
import { Calendars } from './Calendars';
import { groupsOf } from './weeks';

type Item = Schemas['DueItem'];

/** So many units are named; more of them are counted. */
const NAMED = 6;

const WHO = [
  ['', 'All'],
  ['laboratory', 'For a laboratory'],
  ['bench', 'At the bench'],
] as const;

/** What of the kit falls due, week by week, with what it holds up. */
export function DatesView() {
  const asked = useDates();
  const [search, setSearch] = useSearchParams();
  const who = search.get('by') ?? '';
  const session = useSession();
  const [subscribing, setSubscribing] = useState(false);
  if (asked.data === undefined) {
    return <Lacking of={[asked]} />;
  }
  const { items, today, zone, known, waiting, over, soon, soonDays } = asked.data;
  if (!known || (items.length === 0 && waiting === 0)) {
    return (
      <Empty title="Nothing falls due">
        {known ? (
          <>
            No unit or reference of the <Link to="/kit">kit</Link> has a certificate or an interval.
          </>
        ) : (
          <>
            How often what is wanted a policy says, and no campaign names one yet: see{' '}
            <Link to="/policies">Policies</Link>.
          </>
        )}
      </Empty>
    );
  }
  const chosen = items.filter((item) => who === '' || (who === 'laboratory') === item.laboratory);
  // What several intervals are from is told once, below.
  const sources = [...new Set(chosen.map((item) => item.source))].filter((source) => source !== '');
  return (
    <>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 18px', alignItems: 'baseline' }}>
        <h1 className="fn-title" style={{ margin: 0 }}>
          Dates
        </h1>
        <span style={{ color: over > 0 ? ink.void : ink.soft, fontWeight: over > 0 ? 600 : 400 }}>
          {over > 0 ? `${over} over, ` : ''}
          {soon} within {soonDays} days
        </span>
        <span style={{ color: ink.soft }}>
          {day(`${today}T12:00:00Z`, 'UTC')} · {zone}
        </span>
        <span style={{ flex: 1 }} />
        <span role="group" aria-label="Who does it">
          {WHO.map(([key, word]) => (
            <Button
              key={key}
              size="small"
              aria-pressed={who === key}
              sx={who === key ? { textDecoration: 'underline', textUnderlineOffset: 4 } : undefined}
              onClick={() => setSearch(key === '' ? {} : { by: key }, { replace: true })}
            >
              {word}
            </Button>
          ))}
        </span>
        <Button size="small" component="a" href="/api/dates.csv" download>
          As a table
        </Button>
        {mayRecord(session.data?.user) && (
          <Button size="small" onClick={() => setSubscribing(true)}>
            In a calendar
          </Button>
        )}
      </div>
      {waiting > 0 && (
        <p aria-live="polite" style={{ margin: '4px 0', color: ink.soft }}>
          {plural(waiting, 'unit')} still being worked out…
        </p>
      )}
      {groupsOf(chosen, today).map((group) => (
        <section key={group.title} aria-label={group.title} className="fn-dates">
          <h2 style={{ margin: 0, color: group.title === 'Over' ? ink.void : ink.text }}>
            {group.title}
            {group.days && (
              <span style={{ display: 'block', fontSize: '0.82rem', fontWeight: 400, color: ink.soft }}>
                {group.days}
              </span>
            )}
          </h2>
          <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
            {group.items.map((item) => (
              <Line
                key={`${item.owner} ${item.id} ${item.what} ${item.channels.join(' ')}`}
                item={item}
                note={sources.indexOf(item.source) + 1}
              />
            ))}
          </ul>
        </section>
      ))}
      {sources.length > 0 && (
        <ol
          aria-label="Sources"
          style={{ fontSize: '0.84rem', color: ink.soft, maxWidth: 820, paddingLeft: 20 }}
        >
          {sources.map((source, place) => (
            <li key={source} id={`source-${place + 1}`}>
              {unconfirmed(source)}
            </li>
          ))}
        </ol>
      )}
      <p style={{ color: ink.soft, maxWidth: 720 }}>
        By the same rules and limits that a run begun later is judged by; beside it what the site has dated
        itself (Kit, Where it is), and samples that no laboratory has told of. “About”: no sheet of the model
        says how long a check takes; a minute for each step, and what is waited for, is assumed. What is out
        of use, and units for practice, are not listed. The manual of the instrument and local rules stand
        above an interval of a policy.
      </p>
      {subscribing && <Calendars first={who} onClose={() => setSubscribing(false)} />}
    </>
  );
}

function Line({ item, note }: { item: Item; note: number }) {
  const { owner, id, model, what, channels, until, every, evidence, laboratory, minutes } = item;
  const isSample = owner === 'samples';
  return (
    <li className="fn-date">
      <span className="fn-figure" style={{ color: item.state === 'past' ? ink.void : ink.text }}>
        {until === null ? '–' : day(until)}
        {until !== null && (isSample || (!laboratory && evidence !== '')) && (
          <span style={{ display: 'block', fontSize: '0.82rem', color: ink.soft }}>{clock(until)}</span>
        )}
      </span>
      <span>
        <b>
          {isSample ? (
            <Link to={`/results/${encodeURIComponent(evidence)}`}>{id}</Link>
          ) : (
            <Link to={`/${owner === 'instruments' ? 'kit' : 'references'}/${encodeURIComponent(id)}`}>
              {id}
            </Link>
          )}
        </b>{' '}
        <span style={{ color: ink.soft }}>{model}</span>
        <br />
        {what}
        {channels.length > 0 && ` of ${channels.join(', ')}`}
        {!isSample && laboratory && evidence && ` after certificate ${evidence}`}
        {isSample && ', as long as the sample holds by its method'}
        {!laboratory && evidence && (
          <>
            {' '}
            after <Link to={`/checks/${encodeURIComponent(evidence)}`}>{evidence}</Link>
          </>
        )}
        {minutes !== null && (
          <span style={{ color: ink.soft }}>
            , takes {item.assumed && 'about '}
            {minutes} min
          </span>
        )}
        {every && (
          <span style={{ color: ink.soft }}>
            , every {every.replace(/^1 /, '')}
            {item.own && ', set here'}
            {note > 0 && (
              <sup>
                <a href={`#source-${note}`} aria-label={`Source ${note}`}>
                  {note}
                </a>
              </sup>
            )}
          </span>
        )}
      </span>
      <span className="fn-date-note">{held(item)}</span>
    </li>
  );
}

/** What waits for it. */
function held({ owner, holdsUp, weighs, until, laboratory, note }: Item): string {
  if (owner === 'samples' || (owner === 'references' && !laboratory)) {
    return note;
  }
  const and = (words: string) => [words, note].filter((one) => one !== '').join(' ');
  if (until === null) {
    return and('As far as is known it was never done.');
  }
  const judged =
    weighs === null ? '' : weighs === 'note' ? 'gets a note' : weighs === 'void' ? 'is void' : `is ${weighs}`;
  const named = holdsUp.slice(0, NAMED).join(', ');
  const units = holdsUp.length > NAMED ? `${named} and ${holdsUp.length - NAMED} more` : named;
  if (owner === 'instruments') {
    return and(judged === '' ? '' : `A run that begins later ${judged}.`);
  }
  return and(
    `${judged === '' ? '' : `What is checked on it later ${judged}. `}${
      units === '' ? 'No unit was last checked on it.' : `Last checked on it: ${units}.`
    }`,
  );
}
