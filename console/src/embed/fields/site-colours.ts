import { useQuery } from '@tanstack/react-query';
import { api } from '../../api.ts';

const most = 12;

/** The colours of the owner’s sites, each once: those that an embed is likely to take. */
export function useSiteColours(): readonly string[] {
  const { data = [] } = useQuery({
    queryKey: ['sites', 'colours'],
    queryFn: async () => {
      const { items } = (await api.call('sites.list', { query: { limit: 20 } })).data;
      return [...new Set(items.flatMap(({ colours }) => colours))].slice(0, most);
    },
  });
  return data;
}
