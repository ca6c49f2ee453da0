import { useQuery } from '@tanstack/react-query';
import { api, heldForForm } from '../api.ts';

/** One site, with the tag by which it is changed. */
export const useSite = (key: string) =>
  useQuery({
    queryKey: ['sites', key],
    meta: heldForForm,
    queryFn: () => api.call('sites.read', { params: { site: key } }),
  });
