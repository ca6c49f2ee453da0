import { setAttribute, type Edit } from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import type { Adjustment } from './adjust.ts';
import { shownElement } from './holders.ts';
import type { SettingName, Settings } from './setting.ts';

/** Settings that every frame and player has, whoever its provider is. */
export const frameSettings: ReadonlySet<SettingName> = new Set<SettingName>(['title', 'width', 'height']);

/** The edits of a frame's own name and size. Of width and height alone, the shape gives the other, and the sum is said. */
export function frameEdits(code: Code, wishes: Settings, brought: Adjustment['brought']): { edits: Edit[]; problems: WishProblem[] } {
  const named = [...frameSettings].filter((name) => wishes[name] !== undefined);
  if (named.length === 0) return { edits: [], problems: [] };
  const element = shownElement(code);
  if (!element) return { edits: [], problems: named.map((wish) => ({ wish, code: 'part-missing', facts: { setting: wish, part: 'frame' } })) };
  const edits: Edit[] = [];
  const set = (name: SettingName, value: string, reason: string): void => {
    const change = setAttribute(code.text, element, name, value);
    if (change) edits.push({ ...change, stage: 'settings', wishes: [name], reason });
  };
  if (wishes.title !== undefined) set('title', wishes.title, `Call it “${wishes.title}” for people who cannot see it (title).`);
  const { width, height, sums } = sizesOf(code, wishes);
  if (width !== undefined) set('width', String(width), sums.width ?? `Make it ${width} px wide (width).`);
  if (height !== undefined) set('height', String(height), sums.height ?? `Make it ${height} px high (height).`);
  if (sums.width) brought.push({ wish: 'width', by: 'height', reason: sums.width });
  if (sums.height) brought.push({ wish: 'height', by: 'width', reason: sums.height });
  return { edits, problems: [] };
}

function sizesOf(code: Code, { width, height }: Settings): { width: number | undefined; height: number | undefined; sums: { width?: string; height?: string } } {
  const ratio = code.reading.size.ratio ?? (code.sheet?.shape ? code.sheet.shape.width / code.sheet.shape.height : null);
  if (ratio === null || (width === undefined) === (height === undefined)) return { width, height, sums: {} };
  const shape =
    code.sheet?.shape && Math.abs(ratio - code.sheet.shape.width / code.sheet.shape.height) < 0.001 ? `${code.sheet.shape.width}:${code.sheet.shape.height}` : `${ratio}:1`;
  if (width !== undefined) {
    const other = Math.round(width / ratio);
    return { width, height: other, sums: { height: `${width} px wide in the shape ${shape} is ${other} px high.` } };
  }
  const other = Math.round(height! * ratio);
  return { width: other, height, sums: { width: `${height} px high in the shape ${shape} is ${other} px wide.` } };
}
