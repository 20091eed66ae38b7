import { useSharedTrend } from '../api/hooks';
import { Lacking } from '../look/Told';
import { ink } from '../look/theme';
import { ControlPicture } from './ControlPicture';

/** How a reference goes on, by what units checked on it together moved by alike. Advice: no verdict rests on it. */
export function SharedGoesOn({ reference }: { reference: string }) {
  const trend = useSharedTrend(reference);
  if (trend.data === undefined) {
    return <Lacking of={[trend]} />;
  }
  return (
    <>
      <p style={{ margin: '0 0 8px', color: ink.soft, maxWidth: 760 }}>
        Where three units or more were checked on it within half a day, what they moved by alike is its part,
        rather than theirs; what is left is each one&rsquo;s own. Advice: no verdict rests on it.
      </p>
      {trend.data.channels.length === 0 && (
        <p>Never yet were three units checked on it within half a day: what they share cannot be told.</p>
      )}
      {trend.data.channels.map((one) => (
        <section key={`${one.of} ${one.channel}`} aria-label={`${one.of} ${one.channel}`}>
          <h3 style={{ margin: '10px 0 2px' }}>
            {one.of}
            {one.channel && `, ${one.channel}`}
          </h3>
          <ControlPicture of={one} />
          <ul style={{ margin: '4px 0', paddingLeft: 18 }}>
            {one.words.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}
