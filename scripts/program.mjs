/** Builds the server and the command line where they are older than their sources. */
import { builtProgram } from './prepare.mjs';

builtProgram();
