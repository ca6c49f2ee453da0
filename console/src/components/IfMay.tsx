import type { ReactNode } from 'react';
import type { RouteName } from '@orbis/contract';
import { useMay } from '../session.ts';

/** What somebody may do or not. */
export interface Needs {
  /** The operation that is called. */
  call: RouteName;
  /** The site that it is about, where it is known. */
  site?: string;
}

/** What whoever is signed in may use, and nothing where they may not. */
export function IfMay({ call, site, children }: Needs & { children: ReactNode }) {
  return useMay()(call, site) ? children : null;
}
