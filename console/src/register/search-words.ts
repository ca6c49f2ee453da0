/** What an address of the register asks for, as it is typed for a search: `state=live site=hollinfell`. */
export const searchWords = (search: URLSearchParams): string =>
  fields
    .map((name) => [name, search.get(name)?.trim() ?? ''] as const)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => `${name}=${value}`)
    .join(' ');

/**
 * The address of the register for a search; null where it asks for something that the register’s own fields
 * do not have.
 */
export function addressOf(where: string): string | null {
  const search = new URLSearchParams();
  for (const word of where.split(/\s+/).filter(Boolean)) {
    const [name = '', value = ''] = word.split('=');
    if (!(fields as readonly string[]).includes(name) || value === '') return null;
    search.set(name, value);
  }
  return `/register?${search.toString()}`;
}

const fields = ['state', 'site', 'host'] as const;
