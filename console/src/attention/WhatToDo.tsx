import type { KeptFinding } from '@orbis/contract';
import { CollectFound } from './CollectFound.tsx';
import { TakeIn } from './TakeIn.tsx';

/** What is done about an open finding with the finding itself; nothing where it is done elsewhere. */
export function WhatToDo({ finding }: { finding: KeptFinding }) {
  if (finding.list !== 'open') return null;
  if (finding.rule === 'unregistered') return <CollectFound finding={finding} />;
  return finding.rule === 'code-renewed' ? <TakeIn finding={finding} /> : null;
}
