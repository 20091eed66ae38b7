import { Link, useRouteError } from 'react-router';

/** A view that could not be drawn. What was recorded is on the server and is not touched by it. */
export function Stumble() {
  const problem = useRouteError();
  return (
    <main style={{ maxWidth: 560, margin: '15vh auto', padding: '0 24px' }}>
      <h1>This view could not be drawn</h1>
      <p>Everything recorded is safe. Load the page again, or go back to the day.</p>
      <p style={{ color: '#5c564b' }}>{problem instanceof Error ? problem.message : ''}</p>
      <p>
        <Link to="/" reloadDocument>
          Back to the day
        </Link>
      </p>
    </main>
  );
}
