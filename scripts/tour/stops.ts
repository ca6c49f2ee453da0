import { arrive, packagesArrive } from './arrive.ts';
import { hold } from './hold.ts';
import { leave } from './leave.ts';
import type { Stop, Tools } from './tools.ts';
import { upgrade } from './upgrade.ts';

/** All of the tour, in its order. */
export function stops(tools: Tools): Stop[] {
  const { note, remove } = leave(tools);
  return [packagesArrive(tools), note, ...arrive(tools), ...hold(tools), ...upgrade(tools), remove];
}
