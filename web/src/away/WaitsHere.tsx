import { ink } from '../look/theme';
import { plural } from '../look/words';
import { useOutbox } from './outbox';

/** Whose things wait on this device: nobody else sends them. */
export function WaitsHere({ but }: { but?: string }) {
  const outbox = useOutbox();
  const people = [...new Set((outbox.data ?? []).map((one) => one.person))].filter((one) => one !== but);
  return people.map((person) => (
    <p key={person} style={{ margin: 0, color: ink.qualified }}>
      {plural((outbox.data ?? []).filter((one) => one.person === person).length, 'thing')} of {person} wait on
      this device until {person} signs in.
    </p>
  ));
}
