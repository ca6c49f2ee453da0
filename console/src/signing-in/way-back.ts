/**
 * Where to go once signed in: back to where somebody came from, on this site only. What comes out is judged
 * as the browser would read it, since backslashes, tabs and line ends lead it elsewhere than they look.
 * @param address that of the sign-in page, with the way back in `back`.
 */
export function wayBackFrom(address: string): string {
  const here = new URL(address);
  const back = here.searchParams.get('back');
  if (back === null || !URL.canParse(back, here)) return '/';
  const target = new URL(back, here);
  const { origin, pathname, search, hash } = target;
  // A path that begins with two slashes would lead to another host when it is followed by itself.
  return origin === here.origin && !pathname.startsWith('//') && pathname !== here.pathname
    ? pathname + search + hash
    : '/';
}
