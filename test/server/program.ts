/** The program as it is started, in processes of its own: what was built of its sources, built again where they have changed since. */
import { execFileSync } from 'node:child_process';

let isBuilt = false;

function built(): void {
  if (!isBuilt)
    execFileSync(process.execPath, ['scripts/program.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] });
  isBuilt = true;
}

/** What `node` is given to run the command line. */
export function commandLine(...args: string[]): string[] {
  built();
  return ['built/cli/main.js', ...args];
}

/** What `node` is given to run a few lines on what a module of the program exports. */
export function running(module: string, names: string, lines: string): string[] {
  built();
  return ['--input-type=module', '-e', `import ${names} from './built/${module}.js'; ${lines}`];
}
