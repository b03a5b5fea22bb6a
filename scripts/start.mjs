import { builtInterface, builtProgram, dependencies, serve } from './prepare.mjs';

dependencies();
builtProgram();
builtInterface();
await serve(['built/server/main.js']);
