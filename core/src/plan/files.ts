import { fileAddress, snippetText, type Snippet } from '../compose/snippet.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PlannedPlacement } from './planned-placement.ts';
import type { PlannedSnippet } from './planned-snippet.ts';

/** A placement with what its code comes to. */
interface InFile {
  placement: Pick<PlannedPlacement, 'id' | 'place'>;
  composition: { snippets: readonly Snippet[] };
}

const filesOf = ({ composition }: InFile): { snippet: Snippet; address: string; text: string }[] =>
  composition.snippets.flatMap((snippet) => {
    const address = fileAddress(snippet);
    return address === null ? [] : [{ snippet, address, text: snippetText(snippet) }];
  });

/** The files in which codes stand: one for all that have the same in the same. */
export function fileSnippets(worked: readonly InFile[], digest: (text: string) => string): PlannedSnippet[] {
  const files = new Map<string, PlannedSnippet>();
  for (const one of worked)
    for (const { snippet, address, text } of filesOf(one)) {
      const key = `${address} ${text}`;
      const known = files.get(key) ?? { ...snippet, digest: digest(text), placements: [] };
      files.set(key, { ...known, placements: [...known.placements, one.placement.id] });
    }
  return [...files.values()];
}

/** Files that two codes of a page have at one address, each with something else in it. */
export function filesTaken(worked: readonly InFile[]): PlanFinding[] {
  const first = new Map<string, string>();
  return worked.flatMap((one) =>
    filesOf(one).flatMap(({ address, text }): PlanFinding[] => {
      const there = first.get(address) ?? text;
      first.set(address, there);
      const { id, place } = one.placement;
      return there === text
        ? []
        : [{ rule: 'file-taken', level: 'error', facts: { address, place }, placements: [id] }];
    }),
  );
}
