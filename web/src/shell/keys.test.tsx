import { fireEvent, render, screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { expect, it, vi } from 'vitest';
import { switchKeys, useKeys } from './keys';
import { mayDecide, mayLead, mayRecord, maySteward } from './roles';

function Pad({ onJ }: { onJ: () => void }) {
  useKeys({ j: onJ });
  return (
    <>
      <h1 tabIndex={-1}>heading</h1>
      <input aria-label="field" />
    </>
  );
}

it('hears a key outside of fields only', () => {
  const heard = vi.fn();
  render(<Pad onJ={heard} />);
  fireEvent.keyDown(document.body, { key: 'j' });
  expect(heard).toHaveBeenCalledTimes(1);
  fireEvent.keyDown(screen.getByLabelText('field'), { key: 'j' });
  fireEvent.keyDown(screen.getByRole('heading'), { key: 'j' });
  fireEvent.keyDown(document.body, { key: 'j', ctrlKey: true });
  fireEvent.keyDown(document.body, { key: 'x' });
  expect(heard).toHaveBeenCalledTimes(1);
});

it('is silent behind a dialog, and after its view is gone', () => {
  const heard = vi.fn();
  const { unmount } = render(
    <>
      <Pad onJ={heard} />
      <div role="dialog" />
    </>,
  );
  fireEvent.keyDown(document.body, { key: 'j' });
  unmount();
  fireEvent.keyDown(document.body, { key: 'j' });
  expect(heard).not.toHaveBeenCalled();
});

it('gives a key that is pressed at once to what is seen, not to what was seen before it', () => {
  const before = vi.fn();
  const now = vi.fn();
  /** Presses as soon as it stands there, before anything that waits for a painted screen. */
  function PressedAtOnce({ isPressed }: { isPressed: boolean }) {
    useLayoutEffect(() => {
      if (isPressed) {
        fireEvent.keyDown(document.body, { key: 'j' });
      }
    });
    return null;
  }
  const view = (onJ: () => void, isPressed: boolean) => (
    <>
      <Pad onJ={onJ} />
      <PressedAtOnce isPressed={isPressed} />
    </>
  );
  const { rerender } = render(view(before, false));
  rerender(view(now, true));
  expect(before).not.toHaveBeenCalled();
  expect(now).toHaveBeenCalledTimes(1);
});

it('does nothing else with a letter that it heard, and nothing at all where letters are switched off', () => {
  const heard = vi.fn();
  render(<Pad onJ={heard} />);
  expect(fireEvent.keyDown(document.body, { key: 'j' })).toBe(false);
  switchKeys(false);
  fireEvent.keyDown(document.body, { key: 'j' });
  expect(heard).toHaveBeenCalledTimes(1);
  switchKeys(true);
});

it('offers each role what the server would allow', () => {
  const person = (role: 'reader' | 'technician' | 'hygienist' | 'steward') => ({
    name: role,
    code: 'X',
    roles: [{ role, may: 'x' }],
  });
  const table = (['reader', 'technician', 'hygienist', 'steward'] as const).map((role) =>
    [mayRecord, mayDecide, maySteward, mayLead].map((may) => may(person(role))),
  );
  expect(table).toEqual([
    [false, false, false, false],
    [true, false, false, false],
    [true, true, false, true],
    [true, false, true, true],
  ]);
  expect(mayRecord(null)).toBe(false);
});
