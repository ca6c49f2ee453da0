/** Where something was found, in the words of the register: a place, a page, a host or a site. */
export const whereFound = ({
  place,
  page,
  host,
  site,
}: Readonly<Record<'place' | 'page' | 'host' | 'site', string | null>>): string =>
  place ?? page ?? host ?? site ?? '';
