import type { RouteName } from '@orbis/contract';
import { IfMayElseWho } from './IfMayElseWho.tsx';
import { ScreenHead } from './ScreenHead.tsx';

/** Stands in the place of a screen that whoever is signed in has no use for. */
export default function NotForThem({ call }: { call: RouteName }) {
  return (
    <>
      <ScreenHead title="Not for you" lead="This screen is for others who work with this Orbis." />
      <IfMayElseWho call={call}>{null}</IfMayElseWho>
    </>
  );
}
