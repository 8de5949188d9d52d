import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { kitSheet } from '../../src/core/kit';
import { EXAMPLES, leadNamed } from './read';

const SAID = new Map(
  readFileSync(new URL('../../examples/kits.md', import.meta.url), 'utf8')
    .split(/^## /m)
    .slice(1)
    .map((part) => {
      const [id = '', ...lines] = part.split('\n');
      return [id, lines.flatMap((line) => (line.startsWith('- ') ? [line.slice(2)] : []))] as const;
    }),
);

/** The lists in the repository were read by eye: a change to one of them is a change to what somebody picks. */
describe('the kits of the examples', () => {
  it('are all there', () => expect([...SAID.keys()].sort()).toEqual(EXAMPLES.map(({ id }) => id).sort()));

  it.each(EXAMPLES.map(({ id }) => [id]))('%s is as it was read', (id) => {
    const { items, cuts, partings, strips } = kitSheet([{ lead: leadNamed(id), count: 1 }]);
    expect(SAID.get(id)).toEqual([
      ...items.map(
        ({ count, what, detail, owned }) => `${owned ? 'have' : 'take'} ${count} × ${what}: ${detail}`,
      ),
      ...cuts.flatMap(({ span, total, wires = [] }) => [
        `cut ${span} ${Math.round(total)} mm`,
        ...wires.map((wire) => `cut ${span} ${wire.id} ${Math.round(wire.mm)} mm`),
      ]),
      ...partings.map(({ trunk, jacketMm }) => `part ${trunk}: ${Math.round(jacketMm)} mm of jacket off`),
      ...strips.map(
        ({ end, span, jacket, conductors }) =>
          `strip ${end} ${span} (${jacket}): ${conductors.map((wire) => `${wire.id} ${wire.mm}/${wire.bareMm}`).join(', ')}`,
      ),
    ]);
  });
});
