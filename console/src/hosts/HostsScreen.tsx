import { useSearchParams } from 'react-router';
import { HostList } from './HostList.tsx';
import { HostOne } from './HostOne.tsx';

/** What placed embeds load from elsewhere, and how it is answered: every host, or one of them. */
export default function HostsScreen() {
  const [search] = useSearchParams();
  const host = search.get('host');
  return host === null ? <HostList /> : <HostOne host={host} />;
}
