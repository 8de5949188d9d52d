import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { derive, type Lead } from '../../src/core/lead';

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

/** The lead that an example comes to; throws with the reason where it comes to none. */
export function leadOf({ id, name, intent }: Example): Lead {
  const derived = derive(intent, [], name);
  if (!derived.ok) throw new Error(`${id}: ${derived.problems.map((problem) => problem.says).join('; ')}`);
  return derived.value;
}

/** The lead of the example with this id. */
export function leadNamed(id: string): Lead {
  const example = EXAMPLES.find((each) => each.id === id);
  if (!example) throw new Error(`there is no example ${id}`);
  return leadOf(example);
}
