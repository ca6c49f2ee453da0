import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './service/src/store/schema.ts',
  out: './service/migrations',
  casing: 'snake_case',
});
