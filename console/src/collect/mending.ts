/** Which faults of a paste are to be mended: all of them, or those of these rules. */
export type Mending = true | string[];
