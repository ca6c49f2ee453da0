/**
 * What every option is made of: types of values, the shape of an option, and the changes that it can ask for.
 */
export * from './types/index.ts';
export { conditions, devices, type Condition, type Device } from './condition.ts';
export { deviceOf } from './per-device.ts';
export * from './levels.ts';
export { withoutOptions } from './values.ts';
export type { Coordinates, Expectation, Options, OptionValue, Parsed, Ratio } from './values.ts';
export type { Change } from './change.ts';
export type { Contribution, Implied, Option, OptionContext, OptionProblem, OptionStage } from './option.ts';
