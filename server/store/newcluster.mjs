/** Makes an empty database in a folder, in a process of its own: it takes several hundred megabytes that are never needed again. */
import { PGlite } from '@electric-sql/pglite';

try {
  const client = await PGlite.create(process.argv[2]);
  await client.close();
} catch (error) {
  process.stdout.write(JSON.stringify({ code: error?.code, message: String(error?.message ?? error) }));
  process.exitCode = 1;
}
