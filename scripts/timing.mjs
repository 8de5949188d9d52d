// Prints how long the heavy parts of the core take; exit 1 when one takes more than three times its budget.
import { ensureCli } from './lib/cli.mjs';
import { ROOT } from './lib/project.mjs';

process.chdir(ROOT);
await import(ensureCli('timing'));
