import { ensurePackages } from './lib/packages.mjs';
import { ensureBuilt } from './lib/sources.mjs';

await ensurePackages();
ensureBuilt();
