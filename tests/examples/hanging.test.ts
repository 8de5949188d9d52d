import { describe, expect, it } from 'vitest';
import { netlist } from '../../src/core/assembly';
import { derive, hangingOn, type Lead } from '../../src/core/lead';
import { resolveSchools, SCHOOLS, type Intent } from '../../src/core/wiring';
import { everySo } from '../support/some';
import { EXAMPLES, leadOf } from './read';

/** What hangs on what, said from the handbook before anything was worked out. */
const BY_HAND: Readonly<Record<string, readonly string[]>> = {
  // Two cores in a screen between two metal shells: which core is hot, where the screen stops, whether the shells join it.
  'stage-microphone': ['colour', 'screen', 'shell'],
  // Four cores: two spare ones besides.
  'star-quad-microphone': ['colour', 'screen', 'shell', 'spare-cores'],
  // A coax has one core and one screen, and a TS plug has no other place for either.
  'instrument-lead': [],
  // No screen to tie, no shell that is metal, and its cores are told apart by red and black.
  'loudspeaker-two-pole': [],
  // No cable at all.
  'screen-lift-barrel': ['shell'],
  'tell-tale': [],
  'shorting-plug': [],
  // A braid of three: the third is drained or open, or doubled with another.
  'three-strand-open': ['spare-cores', 'third-strand'],
  'record-player-unified': ['record-player-earth'],
};

describe('the schools that a lead hangs on', () => {
  it.each(Object.entries(BY_HAND))('%s', (id, schools) => {
    const example = EXAMPLES.find((each) => each.id === id);
    expect(example && hangingOn(leadOf(example))).toEqual(schools);
  });

  it('are the same however a store orders what it keeps', () => {
    const turned = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(turned)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, each]) => [key, turned(each)]),
            )
          : value;
    for (const example of EXAMPLES.filter(({ id }) => id in BY_HAND))
      expect(hangingOn(turned(leadOf(example)) as Lead), example.id).toEqual(BY_HAND[example.id]);
  });

  it('every choice of every other wires it the same, and none has no other', () => {
    for (const example of everySo(2, EXAMPLES)) {
      const lead = leadOf(example);
      const its = JSON.stringify(netlist(lead.assembly).nets.map(({ terminals }) => terminals));
      const hangs = new Set<string>(hangingOn(lead));
      const intent = lead.intent as Intent;
      const own = resolveSchools(intent.schools);
      for (const school of SCHOOLS.filter(({ decides }) => decides === 'wiring')) {
        const alike = school.choices.filter(({ id }) => {
          const other = derive({ ...intent, schools: { ...intent.schools, [school.id]: id } }, lead.edits);
          const nets = other.ok && netlist(other.value.assembly).nets.map(({ terminals }) => terminals);
          return JSON.stringify(nets) === its;
        });
        // The nets say so by themselves: what is only insulated or cut back hangs too, and is no other net.
        if (!hangs.has(school.id)) expect(alike, `${example.id} ${school.id}`).toEqual(school.choices);
        expect(alike.map(({ id }) => id)).toContain(own[school.id]);
      }
    }
  });
});
