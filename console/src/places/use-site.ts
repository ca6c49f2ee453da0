import { useQuery } from '@tanstack/react-query';
import { api } from '../api.ts';

/** One site, with the tag by which it is changed. */
export const useSite = (key: string) =>
  useQuery({
    queryKey: ['sites', key],
    queryFn: () => api.call('sites.read', { params: { site: key } }),
  });
