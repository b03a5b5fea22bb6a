import { built, dependencies, serve } from './prepare.mjs';

dependencies();
built();
await serve(['server/main.ts']);
