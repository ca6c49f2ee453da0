/** Of whom a second factor is demanded. */
export const demandedOf = ['nobody', 'all'] as const;
export type DemandedOf = (typeof demandedOf)[number];
