/** With it where it is not in the list, without it where it is. */
export const turned = (list: string[], one: string): string[] =>
  list.includes(one) ? list.filter((other) => other !== one) : [...list, one];

/** One line that is confirmed or not, large enough for a thumb. */
export function Tick({
  on,
  turn,
  disabled = false,
  children,
}: {
  on: boolean;
  turn: () => void;
  disabled?: boolean;
  children: React.ReactNode;
}) {
  return (
    <label style={{ display: 'flex', gap: 10, alignItems: 'center', minHeight: 36 }}>
      <input
        type="checkbox"
        checked={on}
        disabled={disabled}
        style={{ width: 20, height: 20, flexShrink: 0 }}
        onChange={turn}
      />
      <span>{children}</span>
    </label>
  );
}
