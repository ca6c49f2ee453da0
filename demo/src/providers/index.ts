import { fennfeed } from './fennfeed.ts';
import { folioferry } from './folioferry.ts';
import { formwold } from './formwold.ts';
import { hoardinglea } from './hoardinglea.ts';
import { mapmere } from './mapmere.ts';
import { nodthorn } from './nodthorn.ts';
import { popplenook } from './popplenook.ts';
import { praisecroft } from './praisecroft.ts';
import { slotsedge } from './slotsedge.ts';
import { stallmere } from './stallmere.ts';
import { tallywren } from './tallywren.ts';
import { tonebarn } from './tonebarn.ts';
import type { StandIn } from './stand-in.ts';

/** A provider of which Orbis has no sheet. */
export { gladewick } from './gladewick.ts';

/** The stand-in providers beside Kinorill, in alphabetical order. */
export const standIns: readonly StandIn[] = [
  fennfeed,
  folioferry,
  formwold,
  hoardinglea,
  mapmere,
  nodthorn,
  popplenook,
  praisecroft,
  slotsedge,
  stallmere,
  tallywren,
  tonebarn,
];
export type { StandIn } from './stand-in.ts';
