/** `npm run dimorphe`: the command line, built where it is older than its sources. What it writes is its own; all else goes to standard error. */
import { builtProgram } from './prepare.mjs';

builtProgram();
await import('../built/cli/main.js');
