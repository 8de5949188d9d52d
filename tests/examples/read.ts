import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const folder = fileURLToPath(new URL('../../examples/intents/', import.meta.url));

/** One example as it lies in the repository: a name and what the lead is for. */
export interface Example {
  readonly id: string;
  readonly name: string;
  readonly intent: unknown;
}

export const EXAMPLES: readonly Example[] = readdirSync(folder)
  .filter((file) => file.endsWith('.json'))
  .sort()
  .map((file) => ({
    id: file.slice(0, -'.json'.length),
    ...(JSON.parse(readFileSync(folder + file, 'utf8')) as Omit<Example, 'id'>),
  }));
