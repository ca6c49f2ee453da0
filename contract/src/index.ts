/**
 * Schemas and types of all that crosses a wire or a file: the interface, sheets, errors, and the sentences
 * that people read.
 */
export * from './attention.ts';
export * from './change-facts.ts';
export * from './change-lists.ts';
export * from './change-log.ts';
export * from './client.ts';
export * from './common.ts';
export * from './console-screens.ts';
export * from './counting.ts';
export * from './edits.ts';
export * from './errors.ts';
export * from './events.ts';
export * from './import-file.ts';
export * from './learned.ts';
export * from './openapi.ts';
export { characterCount } from './misfit.ts';
export * from './news-kinds.ts';
export * from './news.ts';
export * from './page-address.ts';
export * from './page-file.ts';
export * from './place.ts';
export * from './reading.ts';
export * from './editor-rules.ts';
export * from './site-head.ts';
export * from './register-file.ts';
export * from './third-parties.ts';
export * from './terms.ts';
export * from './today.ts';
export * from './third-party-list.ts';
export { tableText } from './csv-out.ts';
export * from './register.ts';
export * from './schedule.ts';
export * from './weekdays.ts';
export * from './saved-searches.ts';
export * from './spot.ts';
export * from './plan.ts';
export * from './resources.ts';
export * from './routes/index.ts';
export * from './serializers/index.ts';
export * from './service-settings.ts';
export * from './sheet.ts';
export { patternProblem } from './sheet-patterns.ts';
export * from './sheet-file.ts';
export * from './language/index.ts';
export * from './options/index.ts';
export { kindDefaults, optionsSchema, valueSchema } from './options/schema.ts';
