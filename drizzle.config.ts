import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: './server/store/schema.ts',
  out: './server/store/migrations',
});
