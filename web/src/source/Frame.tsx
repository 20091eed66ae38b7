import { ink } from '../look/theme';

/** What comes by itself at a step, between two lines. */
export function Frame({ children }: { children: React.ReactNode }) {
  return (
    <section
      aria-label="What comes by itself"
      style={{
        borderTop: `1px solid ${ink.rule}`,
        borderBottom: `1px solid ${ink.rule}`,
        padding: '14px 0 12px',
        marginBottom: 14,
      }}
    >
      {children}
    </section>
  );
}
