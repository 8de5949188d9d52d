import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { provenOf } from '../../src/core/bench';
import { derive, type Lead } from '../../src/core/lead';
import { proofOf, type Proof, type Proven } from '../../src/core/proving';

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

/** A lead never changes: what an example comes to is worked out once for all that look at it. */
const KNOWN = new Map<Example, Lead>();

/** The lead that an example comes to; throws with the reason where it comes to none. */
export function leadOf(example: Example): Lead {
  const known = KNOWN.get(example);
  if (known) return known;
  const { id, name, intent } = example;
  const derived = derive(intent, [], name);
  if (!derived.ok) throw new Error(`${id}: ${derived.problems.map((problem) => problem.says).join('; ')}`);
  KNOWN.set(example, derived.value);
  return derived.value;
}

/** An example, and what proves it. */
export interface ProvenExample {
  readonly lead: Lead;
  readonly proven: Proven;
  readonly proof: Proof;
}
const PROOFS = new Map<Example, ProvenExample>();

/** What proves an example, prepared once for all that look at it. */
export function proofFor(example: Example): ProvenExample {
  const known = PROOFS.get(example);
  if (known) return known;
  const lead = leadOf(example);
  const proven = provenOf(lead);
  const made = { lead, proven, proof: proofOf(proven) };
  PROOFS.set(example, made);
  return made;
}

/** The lead of the example with this id. */
export function leadNamed(id: string): Lead {
  const example = EXAMPLES.find((each) => each.id === id);
  if (!example) throw new Error(`there is no example ${id}`);
  return leadOf(example);
}
