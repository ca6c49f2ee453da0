import { useState } from 'react';
import { columns, hiddenAtFirst } from './columns.tsx';

/** Which columns are shown, by their names. */
type Shown = Record<string, boolean>;

const key = 'orbis.register.columns';

/** Which columns of the register are shown, as this browser keeps it. */
export function useKeptColumns(): [Shown, (shown: Shown) => void] {
  const [shown, setShown] = useState(kept);
  return [
    shown,
    (next) => {
      setShown(next);
      try {
        localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A browser that keeps nothing shows them until the screen is left.
        return;
      }
    },
  ];
}

const atFirst = (): Shown => Object.fromEntries(hiddenAtFirst.map((name) => [name, false]));

function kept(): Shown {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    if (typeof found !== 'object' || found === null) return atFirst();
    const known = Object.entries(found).filter(
      (entry): entry is [string, boolean] =>
        typeof entry[1] === 'boolean' &&
        columns.some(({ field, hideable }) => field === entry[0] && hideable !== false),
    );
    // A column that came later is hidden as it is at first.
    return { ...atFirst(), ...Object.fromEntries(known) };
  } catch {
    return atFirst();
  }
}
