import { contribution, problem, type Contribution, type Option } from '../../options/option.ts';
import { listType } from '../../options/types/list.ts';
import { reason } from '../../reason.ts';
import { removable, type Removable } from './removable.ts';

export const option: Option<readonly string[]> = {
  name: 'leave-out',
  stage: 'presentation',
  type: { ...listType({ items: 20 }), limits: { items: 20, parts: true } },
  kinds: 'any',
  group: 'parts',
  example: 'heading, field.phone',
  source: 'HTML, section 4.10.5.3.4 (required); observed: a field that nobody sees is there for robots',
  isOffered: (_, reading) => reading === null || reading.parts.length > 0,
  current: () => null,
  contribute: (code, names) => {
    const all = removable(code);
    const found = names.map((name) => all.find((one) => one.name === name) ?? name);
    const unknown = found.find((one) => typeof one === 'string');
    if (unknown !== undefined) return unknownPart(unknown, all);
    const parts = found as Removable[];
    const needed = parts.find((part) => part.needed !== null);
    if (needed)
      return needed.needed === 'robot-trap'
        ? problem('robot-trap', { name: needed.name })
        : problem('required-field', { name: needed.name });
    return contribution(
      parts.flatMap(({ name, ranges }) =>
        ranges.map(({ start, end }) => ({
          kind: 'leave-out' as const,
          range: { start, end },
          reason: reason('left-out', { name }),
        })),
      ),
    );
  },
};

function unknownPart(found: string, all: readonly Removable[]): Contribution {
  const names = all.filter(({ needed }) => needed === null).map(({ name }) => name);
  return names.length === 0
    ? problem('nothing-to-leave-out')
    : problem('part-unknown', { found, names: names.join(', ') });
}
