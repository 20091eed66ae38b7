import { ink } from '../look/theme';

/** Units to tick, in the order in which they are listed. */
export function ChooseUnits({
  units,
  chosen,
  setChosen,
}: {
  units: { id: string; model: string }[];
  chosen: string[];
  setChosen: (chosen: string[]) => void;
}) {
  const toggle = (id: string) =>
    setChosen(units.map((unit) => unit.id).filter((one) => (one === id) !== chosen.includes(one)));
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: '2px 18px', margin: '8px 0' }}>
      {units.map((unit) => (
        <label key={unit.id} style={{ display: 'flex', gap: 8, alignItems: 'center', minHeight: 44 }}>
          <input
            type="checkbox"
            checked={chosen.includes(unit.id)}
            style={{ width: 20, height: 20 }}
            onChange={() => toggle(unit.id)}
          />
          {unit.id} <span style={{ color: ink.soft }}>{unit.model}</span>
        </label>
      ))}
    </div>
  );
}
