import type { Options } from '../options/values.ts';
import type { PlacedComposition } from './forms.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import { spotDevices, type SpotDevice } from './spot-room.ts';
import { statedSize, type StatedSize } from './stated-size.ts';

type Composed = Pick<PlacedComposition, 'snippets' | 'effective'>;

/**
 * Where a placement is larger than its spot, as its code or its owner says a size that does not follow the
 * place it stands in. One that is too wide gives the page a bar to scroll sideways, or is cut off; one that
 * is too high pushes away what stands below it.
 */
export function tooLarge(
  { id, place, room }: Pick<PlannedPlacement, 'id' | 'place' | 'room'>,
  composition: Composed,
): PlanFinding[] {
  if (!room) return [];
  const { widths, heights } = room;
  const stated = statedSize(composition);
  const wide = (device: SpotDevice): number => widthOn(device, stated, composition.effective);
  const high = (device: SpotDevice): number =>
    stated.heightAt(wide(device) || Math.min(widths[device], most(composition.effective, device)));
  const found = (rule: 'too-wide' | 'too-high', size: typeof wide, spot: typeof heights): PlanFinding[] => {
    const over = spotDevices.filter((device) => size(device) > (spot[device] ?? Infinity));
    const [first] = over;
    if (first === undefined) return [];
    const side = rule === 'too-wide' ? 'width' : 'height';
    const facts = {
      ...{ place, devices: over.join(' '), device: first },
      ...{ [side]: size(first), spot: spot[first]! },
    };
    return [{ rule, level: 'warning', facts, placements: [id] }];
  };
  return [...found('too-wide', wide, widths), ...found('too-high', high, heights)];
}

/* How wide it stays on a device; 0 where it follows its place. */
const widthOn = (device: SpotDevice, { width }: StatedSize, options: Options): number =>
  Math.max(Math.min(width, most(options, device)), asked(options, 'min-width', device) ?? 0);

const most = (options: Options, device: SpotDevice): number =>
  asked(options, 'max-width', device) ?? Infinity;

/* What is asked of a width on a device; where nothing is, what is asked of all of them. */
function asked(options: Options, name: string, device: SpotDevice): number | null {
  const value = options[`${name}.${device}`] ?? options[name];
  return typeof value === 'number' ? value : null;
}
