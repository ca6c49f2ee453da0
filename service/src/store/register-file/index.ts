/** The whole register as records of a file: written out, and taken in. */
export { describeEmbed, newestCodes } from './descriptions.ts';
export { recordsOf } from './records.ts';
export { bareEmbed, isEmpty, settleRegister } from './settle.ts';
export { takes } from './takes.ts';
export type { Take } from './take.ts';
