import { titleIn, type Code } from '../code.ts';
import type { Framed } from '../compose/composition.ts';
import type { EditorRules } from '../editor/index.ts';
import { contentOf } from '../presentation/beside/content.ts';

/** A field of an editor as it is filled in for one placement. */
export interface FilledField {
  label: string;
  value: string;
}

/** What belongs into the fields that an editor asks for beside the code; what nobody knows is left out. */
export function askedFields(
  { code, name }: { code: Code; name?: string },
  { framed }: { framed: Pick<Framed, 'title'> | null },
  { asksFor }: Pick<EditorRules, 'asksFor'>,
): FilledField[] {
  const values = {
    title: framed?.title ?? titleIn(code) ?? name,
    name,
    address: contentOf(code)?.address,
  };
  return asksFor.flatMap(({ label, value }) => {
    const known = values[value];
    return known === undefined ? [] : [{ label, value: known }];
  });
}
