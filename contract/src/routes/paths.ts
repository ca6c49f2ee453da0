import { checkingPaths } from './paths/checking.ts';
import { embedsPaths } from './paths/embeds.ts';
import { peoplePaths } from './paths/people.ts';
import { placesPaths } from './paths/places.ts';
import { plansPaths } from './paths/plans.ts';
import { providersPaths } from './paths/providers.ts';
import { signingInPaths } from './paths/signing-in.ts';

export { apiBase, type At, type Operation } from './paths/operation.ts';

/**
 * Where each operation answers, and the right that it needs: all that a client must know. What goes in and
 * comes out stands beside this, in the table of routes.
 */
export const paths = {
  ...signingInPaths,
  ...peoplePaths,
  ...embedsPaths,
  ...placesPaths,
  ...plansPaths,
  ...providersPaths,
  ...checkingPaths,
} as const;

/** The name of an operation. */
export type RouteName = keyof typeof paths;

/** The path of an operation with its parameters filled in, below {@link apiBase}. */
export function pathOf(name: RouteName, params: Record<string, string | number> = {}): string {
  return paths[name].path.replace(/:([a-z]+)/g, (_, parameter: string) =>
    encodeURIComponent(String(params[parameter] ?? '')),
  );
}
