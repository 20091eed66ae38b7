import { Link } from 'react-router';
import { Empty } from '../look/Told';

export function Nowhere() {
  return (
    <Empty title="There is nothing at this address">
      <Link to="/">Back to the day</Link>
    </Empty>
  );
}
