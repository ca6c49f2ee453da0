/** Schemas and types of all that crosses a wire or a file: the interface, sheets, errors, and the sentences that people read. */
export * from './client.ts';
export * from './common.ts';
export * from './errors.ts';
export * from './learned.ts';
export * from './openapi.ts';
export * from './place.ts';
export * from './reading.ts';
export * from './resources.ts';
export * from './routes/index.ts';
export * from './sentences/findings.ts';
export * from './sentences/learned.ts';
export * from './sentences/reading.ts';
export * from './sentences/states.ts';
export * from './service-settings.ts';
export * from './sheet.ts';
export * from './sheet-file.ts';
export * from './wishes.ts';
