import { useTrend } from '../api/hooks';
import { Told } from '../look/Told';
import { ink } from '../look/theme';
import { ControlPicture } from './ControlPicture';

/** How a unit goes on: what is ordinary for it, what was not, and when it may be too far off. Advice: no verdict rests on it. */
export function GoesOn({ unit, channel }: { unit: string; channel: string }) {
  const trend = useTrend(unit);
  const of = trend.data?.channels.find((one) => one.channel === channel);
  if (!trend.data || !of) {
    return <Told problem={trend.error} />;
  }
  return (
    <section aria-label="How it goes on">
      <h2>
        {of.isFound
          ? 'What it is found off by, and what is ordinary for it'
          : 'How it moves, and what is ordinary for it'}
      </h2>
      <ControlPicture of={of} />
      <ul style={{ margin: '4px 0', paddingLeft: 18 }}>
        {of.words.map((words) => (
          <li
            key={words}
            style={of.now.includes(words) ? { color: ink.qualified, fontWeight: 600 } : undefined}
          >
            {words}
          </li>
        ))}
      </ul>
      {of.learned.length > 0 && (
        <>
          <h3>What that teaches of its intervals</h3>
          <ul style={{ margin: '4px 0', paddingLeft: 18 }}>
            {of.learned.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
          <p style={{ margin: '2px 0', color: ink.soft }}>
            By the exact limits of a count (Garwood 1936), as if it went out as easily at one time as at
            another; no interval changes by itself.
          </p>
        </>
      )}
      <p style={{ margin: '2px 0', color: ink.soft }}>
        By the policy {trend.data.policy}. Advice: no verdict rests on it.
      </p>
    </section>
  );
}

/** What is to be known of a unit before it is used; nothing where it goes on as ever. */
export function BeforeUse({ unit }: { unit: string }) {
  const channels = useTrend(unit).data?.channels ?? [];
  return channels
    .flatMap((one) => one.now.map((words) => (one.channel === '' ? words : `${one.channel}: ${words}`)))
    .map((words) => (
      <p key={words} style={{ margin: '2px 0', color: ink.qualified }}>
        {words}
      </p>
    ));
}
