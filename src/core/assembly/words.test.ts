import { describe, expect, it } from 'vitest';
import { buildNamed } from '../../../tests/builds/read';
import { leadFor } from '../../../tests/support/leads';
import {
  ASSEMBLY_MIGRATIONS,
  conductorsOf,
  conductorTerminal,
  isScrew,
  isSoldered,
  needsSolder,
  readAssembly,
  sayJoint,
  sayPart,
  sayPlace,
  sayTerminal,
} from '.';

const plain = leadFor({}).assembly;

describe('a terminal in the builder’s words', () => {
  it.each([
    ['A.2', 'A.2'],
    ['W1.white@a', 'the white core at end A'],
    ['W1.screen@b', 'the screen at end B'],
    // Not in this lead any more.
    ['W1.white2@b', 'the white2 core at end B'],
  ])('%s: %s', (terminal, says) => expect(sayTerminal(plain, terminal)).toBe(says));

  it('of two cables in one connector says which, by where it goes, and by no id', () => {
    const split = buildNamed('02-y-split');
    const said = split.spans.flatMap((span) =>
      conductorsOf(split, span).flatMap((conductor) =>
        [span.from, span.to].map((body) =>
          sayTerminal(split, conductorTerminal(span.id, conductor.id, body)),
        ),
      ),
    );
    expect(said.some((each) => / of the cable to end \w+ at end \w+$/.test(each))).toBe(true);
    expect(new Set(said).size).toBe(said.length);
    for (const each of said) expect(each).not.toMatch(/W\d|@/);
  });

  it('a body by its ends, else by its own name', () => {
    const fanOut = buildNamed('stereo-microphone-fan-out');
    const said = fanOut.bodies.map(sayPlace);
    expect(said.filter((each) => each.startsWith('end '))).toEqual(['end A', 'end L', 'end R']);
    const hub = fanOut.bodies.find(({ ends }) => ends.length === 0);
    expect(said).toContain(hub?.name);
  });

  it('a joint by its contact, there or undone', () => {
    expect(sayJoint(plain, 'joint-B-3')).toBe('the joint on B.3');
    expect(sayJoint(plain, 'through-x')).toBe('joint through-x');
  });
});

describe('what is soldered', () => {
  const screwed = leadFor({
    from: { port: 'amplifier', family: 'twist2' },
    to: { port: 'loudspeaker', family: 'twist2' },
    cable: 'loudspeaker-2x1-5',
  }).assembly;
  const jumper = { id: 'x', terminals: ['A.1+', 'A.1-'], how: 'link' as const };

  it('cups and tabs are, screws and what goes on uncut are not; a bare wire is where it meets no screw', () => {
    expect(isScrew(screwed, 'A.1+')).toBe(true);
    expect(isScrew(plain, 'A.2')).toBe(false);
    // A conductor is no contact, whatever it is joined to.
    expect(isScrew(screwed, 'W1.+@a')).toBe(false);
    expect(isScrew(screwed, 'nothing')).toBe(false);
    for (const body of screwed.bodies)
      for (const joint of body.joints) expect(isSoldered(screwed, joint)).toBe(false);
    for (const body of plain.bodies)
      for (const joint of body.joints) expect(isSoldered(plain, joint)).toBe(true);
    expect(isSoldered(screwed, jumper)).toBe(false);
    expect(isSoldered(plain, { ...jumper, terminals: ['A.1', 'A.3'] })).toBe(true);
    expect([needsSolder(screwed), needsSolder(plain)]).toEqual([false, true]);
  });
});

describe('parts and shapes at their limits', () => {
  it('a lamp says what it is lit, and nothing where that is not known', () => {
    const lamp = { id: 'L1', kind: 'lamp' } as const;
    expect(sayPart({ ...lamp, litOhms: 48 })).toBe('48 Ω when lit');
    expect(sayPart(lamp)).toBe('');
  });

  it('a part is off by its whole value at the most', () => {
    const withTolerance = (tolerance: number) => {
      const [first, ...others] = plain.bodies;
      if (!first) return expect.fail();
      const part = { id: 'R1', kind: 'resistor', ohms: 100, tolerance };
      return readAssembly({ ...plain, bodies: [{ ...first, parts: [part] }, ...others] }).ok;
    };
    expect([withTolerance(1), withTolerance(1.01)]).toEqual([true, false]);
  });

  it('each step of what is brought up is of the version that it says', () =>
    ASSEMBLY_MIGRATIONS.forEach(({ from, to, up }, n) =>
      expect([from, to, up({ bodies: [] })['version']]).toEqual([n + 1, n + 2, to]),
    ));
});
