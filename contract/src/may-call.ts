import { paths, type Operation, type RouteName } from './routes/paths.ts';
import { mayAnywhere, mayAt, mayEverywhere, rights, type Right, type Rights } from './rights.ts';

/** The right that an operation takes; null where being signed in is enough, or not even that is asked. */
export function rightFor(name: RouteName): Right | null {
  const { needs }: Operation = paths[name];
  return (rights as readonly string[]).includes(needs) ? (needs as Right) : null;
}

/**
 * Whether somebody may call an operation, as far as that is known without looking at what is named: on a site
 * where one is given, else anywhere where the operation is about single sites, else for everything.
 */
export function mayCall(of: Rights<string>, name: RouteName, site?: string): boolean {
  const right = rightFor(name);
  if (right === null) return true;
  const { at }: Operation = paths[name];
  if (at === undefined) return mayEverywhere(of, right);
  return site === undefined ? mayAnywhere(of, right) : mayAt(of, right, site);
}
