/** How far a safety copy is, and what came of it. */
export const copyStates = ['waiting', 'making', 'reading', 'good', 'unread', 'failed'] as const;
export type CopyState = (typeof copyStates)[number];

/** How it stands with safety copies. */
export const copyStandings = ['off', 'none', 'good', 'late', 'failed'] as const;
export type CopyStandingKind = (typeof copyStandings)[number];
