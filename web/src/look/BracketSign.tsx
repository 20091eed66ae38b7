import { ink } from './theme';

export interface BracketShape {
  state: string;
  pre: unknown;
  post: unknown;
  between: number;
}

const words: Record<string, string> = {
  closed: 'closed bracket',
  running: 'the run goes on',
  open: 'open bracket: no check after the run yet',
  'no beginning': 'no check before the run',
  broken: 'broken bracket',
};

/**
 * The sign that runs through everything: [ check before, • run, ] check after. What is missing is drawn dotted, what
 * was broken is torn, what is void is struck through.
 */
export function BracketSign({ bracket, struck = false }: { bracket: BracketShape; struck?: boolean }) {
  const { state } = bracket;
  const left = bracket.pre !== null;
  const right = bracket.post !== null;
  const label = `${words[state] ?? state}${bracket.between > 0 ? `, ${bracket.between} check in between` : ''}${struck ? ', void' : ''}`;
  const missing = { strokeDasharray: '1.5 2.6', stroke: ink.soft };
  return (
    <svg
      width="52"
      height="20"
      viewBox="0 0 52 20"
      role="img"
      aria-label={label}
      style={{ verticalAlign: 'middle' }}
    >
      <g fill="none" stroke={ink.text} strokeWidth="1.7">
        <path d="M11 2.5H6v15h5" {...(left ? {} : missing)} />
        {state === 'broken' && !right ? (
          <path d="M40 2l4 4-4 3 4 3-4 5" stroke={ink.void} />
        ) : (
          <path d="M41 2.5h5v15h-5" {...(right ? {} : missing)} />
        )}
        {Array.from({ length: Math.min(bracket.between, 3) }, (_, i) => (
          <path key={i} d={`M${33 + 3 * i} 6v8`} strokeWidth="1.3" />
        ))}
        {state === 'running' && <path d="M29 10h8m-3-3 3 3-3 3" strokeWidth="1.4" />}
      </g>
      <circle cx="24" cy="10" r="3.4" fill={ink.text} />
      {struck && <path d="M2 16 50 4" stroke={ink.void} strokeWidth="2" />}
    </svg>
  );
}
