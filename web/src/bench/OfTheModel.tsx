import type { Schemas } from '../api/client';
import { ink } from '../look/theme';

/** What model sheets say beside their steps: how long it takes, and what the display may say and what it means. */
export function OfTheModel({ sheets }: { sheets: Schemas['Draft']['sheets'] }) {
  const messages = sheets.flatMap((sheet) => sheet.messages);
  if (sheets.length === 0) {
    return null;
  }
  return (
    <div style={{ marginTop: 16 }}>
      {sheets.map((sheet) => (
        <p key={sheet.code} style={{ color: ink.soft, margin: '2px 0', fontSize: '0.9rem' }}>
          {sheet.name} ({sheet.code}){sheet.minutes !== null && `, takes about ${sheet.minutes} min`}
        </p>
      ))}
      {messages.length > 0 && (
        <details>
          <summary style={{ padding: '12px 0' }}>What the display says</summary>
          <dl style={{ margin: 0 }}>
            {messages.map((message) => (
              <div key={message.shows} style={{ marginBottom: 8 }}>
                <dt style={{ fontWeight: 600 }}>{message.shows}</dt>
                <dd style={{ margin: 0 }}>
                  {message.means}
                  {message.do !== '' && <>. {message.do}</>}
                </dd>
              </div>
            ))}
          </dl>
        </details>
      )}
    </div>
  );
}
