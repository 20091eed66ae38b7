import Button from '@mui/material/Button';
import { ink } from '../look/theme';

/** Buttons of which one at most is open; pressed again it closes. */
export function OneOf<T extends string>({
  label,
  options,
  chosen,
  choose,
}: {
  label: string;
  options: readonly { value: T; words: string }[];
  chosen: T | null;
  choose: (value: T | null) => void;
}) {
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
      <span style={{ color: ink.soft }}>{label}</span>
      {options.map(({ value, words }) => (
        <Button
          key={value}
          size="small"
          variant={value === chosen ? 'contained' : 'outlined'}
          aria-expanded={value === chosen}
          sx={{ minHeight: 40 }}
          onClick={() => choose(value === chosen ? null : value)}
        >
          {words}
        </Button>
      ))}
    </div>
  );
}
