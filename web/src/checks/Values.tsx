import type { Schemas } from '../api/client';
import { minus } from '../look/words';

/** What stands in one table is told in one line: "Zero found: O2 20.9 · LEL 0". */
export function Values({ check }: { check: Schemas['Check'] }) {
  const lines: { label: string; parts: string[] }[] = [];
  for (const one of check.values.filter((value) => !value.isName)) {
    const how = one.how === null || one.how.startsWith('typed') ? '' : ` (${one.how})`;
    const part = minus([one.row, one.shown].filter((word) => word !== '').join(' ')) + how;
    const last = lines.at(-1);
    if (one.of !== '' && last?.label === one.of) {
      last.parts.push(part);
    } else {
      lines.push({ label: one.of === '' ? one.label : one.of, parts: [part] });
    }
  }
  return (
    <table className="fn-table">
      <tbody>
        {lines.map((line) => (
          <tr key={line.label}>
            <th scope="row" style={{ width: '34%' }}>
              {line.label}
            </th>
            <td className="fn-figure">{line.parts.join(' · ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
