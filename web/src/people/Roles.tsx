import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { Schemas } from '../api/client';
import { ink } from '../look/theme';

type Role = Schemas['Role'];

/** Several roles at once, each with what it allows. */
export function Roles({
  all,
  held,
  set,
  problem,
}: {
  all: Schemas['RoleHeld'][];
  held: readonly Role[];
  set: (roles: Role[]) => void;
  problem: string | undefined;
}) {
  return (
    <fieldset style={{ gridColumn: '1 / -1', border: 0, margin: 0, padding: 0, display: 'grid' }}>
      <legend style={{ padding: 0, color: problem ? ink.void : ink.soft }}>
        {problem === undefined ? 'May' : `Roles ${problem}`}
      </legend>
      {all.map(({ role, may }) => (
        <FormControlLabel
          key={role}
          control={
            <Checkbox
              checked={held.includes(role)}
              onChange={(event) =>
                set(event.target.checked ? [...held, role] : held.filter((one) => one !== role))
              }
            />
          }
          label={
            <>
              <b>{role}</b>: {may}
            </>
          }
        />
      ))}
    </fieldset>
  );
}
