import type { RouteName } from '@orbis/contract';
import { IfMayElseWho } from './IfMay.tsx';
import { ScreenHead } from './ScreenHead.tsx';

/** Stands in the place of a screen that whoever is signed in has no use for. */
export const NotForThem = ({ call }: { call: RouteName }) => (
  <>
    <ScreenHead title="Not for you" lead="This screen is for others who work with this Orbis." />
    <IfMayElseWho call={call}>{null}</IfMayElseWho>
  </>
);
