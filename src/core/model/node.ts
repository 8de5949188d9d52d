import type { NodeName } from '../circuit';

/** Names that were made: the same are asked for by the thousand. */
const MADE = new Map<string, NodeName>();
const MOST_MADE = 20_000;

/** A name that does for a node: of letters, digits and underscores. */
export function nodeName(name: string): NodeName {
  const known = MADE.get(name);
  if (known !== undefined) return known;
  const made = name
    .toLowerCase()
    .replace(/@/g, '_at_')
    .replace(/\+/g, 'p')
    .replace(/-$/, 'm')
    .replace(/[^a-z0-9]+/g, '_');
  if (MADE.size >= MOST_MADE) MADE.clear();
  MADE.set(name, made);
  return made;
}
