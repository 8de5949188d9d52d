import type { Assembly } from '../../src/core/assembly';
import { CABLES } from '../../src/core/catalogue';
import { buildNamed } from './read';

/** The straight lead with the full catalogue cable in place of the short entry its file carries. */
export function pairBraidStraight(): Assembly {
  const build = buildNamed('01-straight');
  return { ...build, uses: { ...build.uses, cables: CABLES.filter((cable) => cable.id === 'pair-braid') } };
}
