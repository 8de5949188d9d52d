import type { NodeName } from '../circuit';

/** A name that does for a node: of letters, digits and underscores. */
export const nodeName = (name: string): NodeName =>
  name
    .toLowerCase()
    .replace(/@/g, '_at_')
    .replace(/\+/g, 'p')
    .replace(/-$/, 'm')
    .replace(/[^a-z0-9]+/g, '_');
