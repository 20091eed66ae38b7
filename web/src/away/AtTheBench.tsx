import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, Navigate } from 'react-router';
import { Loading } from '../look/Told';
import { TakeEither } from '../look/Files';
import { ink } from '../look/theme';
import { moment } from '../look/words';
import { broughtAs } from './outbox';
import type { Prepared, Waiting } from './store';

/** The limits of each rule together, in their order. */
const byRule = (limits: Prepared['unit']['limits']): [string, string[]][] => {
  const rules = new Map<string, string[]>();
  for (const one of limits) {
    rules.set(one.rule, [...(rules.get(one.rule) ?? []), one.limit]);
  }
  return [...rules];
};

/** What a check is held to once it is brought, as the policy has it. */
export function JudgedLater({ prepared }: { prepared: Prepared | null }) {
  return (
    <div style={{ marginTop: 12 }}>
      <p style={{ margin: '0 0 6px', color: ink.qualified, fontWeight: 600 }}>Judged when back on line.</p>
      {prepared === null ? (
        <p style={{ margin: 0, color: ink.soft, fontSize: '0.9rem' }}>
          Its steps for another reference are not on this device.
        </p>
      ) : (
        <>
          <p style={{ margin: 0, color: ink.soft, fontSize: '0.9rem' }}>Handed out {moment(prepared.at)}.</p>
          <details>
            <summary style={{ padding: '10px 0' }}>What {prepared.unit.policy} holds it to</summary>
            <dl style={{ margin: 0, fontSize: '0.9rem' }}>
              {byRule(prepared.unit.limits).map(([rule, limits]) => (
                <div key={rule} style={{ marginBottom: 6 }}>
                  <dt style={{ color: ink.soft }}>{rule}</dt>
                  <dd style={{ margin: 0 }}>{limits.join('; ')}</dd>
                </div>
              ))}
            </dl>
          </details>
        </>
      )}
    </div>
  );
}

/** A check of this device that the server has by now: it is gone on with there. */
export function Brought({ id }: { id: string }) {
  const known = useQuery({
    queryKey: ['away', 'brought', id],
    queryFn: () => broughtAs(id),
    staleTime: 0,
  });
  if (known.isPending) {
    return <Loading />;
  }
  return known.data ? (
    <Navigate to={`/bench/${known.data}`} replace />
  ) : (
    <p>
      This check is not on this device any more. <Link to="/bench">Bench</Link>
    </p>
  );
}

/** A check that was closed here and waits until the server answers. */
export function WaitsToBeBrought({ unit, closed }: { unit: string; closed: string }) {
  return (
    <>
      <h1 className="fn-title" style={{ margin: 0 }}>
        {unit}
      </h1>
      <p>
        This check was {closed} on this device and waits in the <Link to="/outbox">outbox</Link>. It is
        evidence once the server has it.
      </p>
    </>
  );
}

function Photo({ waiting, words }: { waiting: Waiting; words: string }) {
  const [address, setAddress] = useState('');
  const blob = waiting.file?.blob;
  useEffect(() => {
    if (!blob) {
      return undefined;
    }
    // The policy of the page lets no other address be shown than one with the picture in it.
    const reader = new FileReader();
    reader.onload = () => setAddress(typeof reader.result === 'string' ? reader.result : '');
    reader.readAsDataURL(blob);
    return () => reader.abort();
  }, [blob]);
  return (
    <li style={{ width: 220 }}>
      {address.startsWith('data:image/') ? (
        <img src={address} alt={words} style={{ maxWidth: '100%', maxHeight: 150, display: 'block' }} />
      ) : (
        <span>{waiting.file?.name}</span>
      )}
      <span style={{ fontSize: '0.84rem', color: ink.soft }}>{words}; waits on this device</span>
    </li>
  );
}

/** Photos of a check that wait with it. */
export function AwayPhotos({
  photos,
  keep,
  placeOf,
}: {
  photos: Waiting[];
  keep: (file: File, place: string) => Promise<void>;
  placeOf: (place: string) => string;
}) {
  return (
    <section aria-label="Photos and documents">
      <ul
        style={{ listStyle: 'none', padding: 0, margin: '6px 0', display: 'flex', flexWrap: 'wrap', gap: 14 }}
      >
        {photos.map((one) => (
          <Photo
            key={one.seq}
            waiting={one}
            words={one.file?.place ? `of ${placeOf(one.file.place)}` : 'of the check'}
          />
        ))}
      </ul>
      <TakeEither busy={false} take={(file) => void keep(file, '')} />
    </section>
  );
}
