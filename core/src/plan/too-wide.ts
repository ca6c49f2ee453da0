import { openCode } from '../code.ts';
import { snippetText } from '../compose/snippet.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import type { PlacedComposition } from './forms.ts';
import type { Options } from '../options/values.ts';
import { frameOf } from '../presentation/target.ts';
import { spotDevices } from './spot-widths.ts';

/**
 * Where a placement is wider than its spot, as its code or its owner says a width that does not follow the
 * place it stands in: a page gets a bar to scroll sideways there, or shows a part of it.
 */
export function tooWide(
  { id, place, widths }: Pick<PlannedPlacement, 'id' | 'place' | 'widths'>,
  composition: Pick<PlacedComposition, 'snippets' | 'effective'>,
): PlanFinding[] {
  if (!widths) return [];
  const own = widthOf(composition);
  const over = spotDevices.flatMap((device) => {
    const width = Math.max(
      Math.min(own, onDevice(composition.effective, 'max-width', device) ?? own),
      onDevice(composition.effective, 'min-width', device) ?? 0,
    );
    return width > widths[device] ? [{ device, width, spot: widths[device] }] : [];
  });
  const [first] = over;
  if (!first) return [];
  const facts = { place, devices: over.map(({ device }) => device).join(' '), ...first };
  return [{ rule: 'too-wide', level: 'warning', facts, placements: [id] }];
}

/* The px that what is handed out keeps to wherever it stands; 0 where it follows its place. */
function widthOf({ snippets }: Pick<PlacedComposition, 'snippets'>): number {
  const code = openCode(snippetText(snippets.find(({ position }) => position === 'spot')!), { sheets: [] });
  const { width } = code.reading.size;
  if (width?.unit !== 'px') return 0;
  const frame = frameOf(code);
  const declared = frame && code.inside.declarations(frame);
  const sides = [declared?.get('width'), declared?.get('max-width')].filter(
    (side) => side !== undefined && !/^(?:none|auto)\b/.test(side),
  );
  // In per cent of its place, or by a sum: it gives way.
  return Math.min(width.value, ...sides.map((side) => Number(/^(\d{1,5})px\b/.exec(side!)?.[1] ?? 0)));
}

/* What is asked of a width on a device; where nothing is, what is asked of all of them. */
function onDevice(options: Options, name: string, device: string): number | null {
  const asked = options[`${name}.${device}`] ?? options[name];
  return typeof asked === 'number' ? asked : null;
}
