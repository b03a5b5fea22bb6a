import { dependencies, serve } from './prepare.mjs';

dependencies();
await serve(['--import=tsx', 'server/main.ts', '--dev']);
