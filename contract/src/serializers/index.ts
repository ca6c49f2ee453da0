/** What the core gives back, as it crosses a wire: with the sentences for its codes. */
export { serializeComposition, serializeEdit, serializeSnippet } from './compositions.ts';
export { serializeDetails, serializeFinding } from './findings.ts';
export { serializeLearnedLine } from './learned.ts';
export { serializeSpecimen } from './specimens.ts';
export { serializeMended, serializeReading } from './reading.ts';
