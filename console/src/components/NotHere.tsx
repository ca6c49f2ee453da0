import { Link } from 'react-router';
import { Empty } from './Empty.tsx';

export default function NotHere() {
  return (
    <Empty title="There is nothing here">
      The address may be old. <Link to="/collection">See the collection</Link>.
    </Empty>
  );
}
