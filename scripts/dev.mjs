import { dependencies, serve } from './prepare.mjs';

dependencies();
await serve(['server/main.ts', '--dev']);
