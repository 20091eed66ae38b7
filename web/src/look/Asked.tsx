import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

/** Something that a list is narrowed by as it is typed: told when it is left or confirmed, since a day half typed is none. */
export function Typed({
  label,
  type,
  value,
  set,
}: {
  label: string;
  type: 'date' | 'search';
  value: string;
  set: (value: string) => unknown;
}) {
  return (
    <TextField
      // What comes from elsewhere, such as the address, takes the place of what was typed.
      key={value}
      label={label}
      type={type}
      size="small"
      defaultValue={value}
      onBlur={(event) => event.target.value !== value && set(event.target.value)}
      onKeyDown={(event) => {
        const typed = (event.target as HTMLInputElement).value;
        if (event.key === 'Enter' && typed !== value) {
          set(typed);
        }
      }}
      sx={{ width: 160 }}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

/** One of several, or none of them in particular. */
export function OneOf({
  label,
  value,
  set,
  options,
  all,
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  options: readonly (readonly [string, string])[];
  /** What none of them is called. */
  all: string;
}) {
  // What is not among them, while they are read or at all, is shown by its name.
  const known = value === '' || options.some(([key]) => key === value);
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      sx={{ minWidth: 130 }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">{all}</MenuItem>
      {[...(known ? [] : [[value, value] as const]), ...options].map(([key, word]) => (
        <MenuItem key={key} value={key}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
}
