/** What an address of the register asks for, as it is typed for a search: `state=live site=hollinfell`. */
export const searchWords = (search: URLSearchParams): string =>
  fields
    .map((name) => [name, search.get(name)?.trim() ?? ''] as const)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => `${name}=${value}`)
    .join(' ');

/** The address of the register for a search. */
export const addressOf = (search: URLSearchParams): string => `/register?${search.toString()}`;

/**
 * A search as it stands in an address of the register, in whatever order it was typed; null where it asks for
 * something that the register’s own fields do not have.
 */
export function searchIn(where: string): URLSearchParams | null {
  const search = new URLSearchParams();
  for (const word of where.split(/\s+/).filter(Boolean)) {
    const [name = '', value = ''] = word.split('=');
    if (!(fields as readonly string[]).includes(name) || value === '' || value.includes('"')) return null;
    search.set(name, value);
  }
  return search;
}

const fields = ['state', 'site', 'host'] as const;
