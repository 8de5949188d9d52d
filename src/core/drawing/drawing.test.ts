import type { Patch } from '../../../tests/support/intents';
import { leadFor, useOf } from '../../../tests/support/leads';
import { describe, expect, it } from 'vitest';
import { CONNECTORS } from '../catalogue';
import type { Lead } from '../lead';
import { litPaths, peel, profileLength, profileOf, sayMeterAt, sayPeeled, sideFace, type PeeledEnd } from '.';

const lead = leadFor;
const drawn = (of: Lead, end: string, options = {}): PeeledEnd =>
  peel(of.assembly, end, options) ?? expect.fail('not drawn');

describe('a peeled end', () => {
  it('shows the solder side of a socket: 1 upper left, 2 upper right, 3 lower centre (handbook section 3)', () => {
    const end = drawn(lead(), 'A');
    const of = Object.fromEntries(end.contacts.map((c) => [c.id, [Math.sign(c.x), Math.sign(c.y)]]));
    expect(of).toEqual({ 1: [-1, 1], 2: [1, 1], 3: [0, -1] });
  });

  it('the mating face is its mirror, and hides the cores', () => {
    const solder = drawn(lead(), 'B');
    const mating = drawn(lead(), 'B', { side: 'mating' });
    for (const contact of solder.contacts)
      expect(mating.contacts.find((c) => c.id === contact.id)?.x).toBeCloseTo(-contact.x, 9);
    expect(mating.conductors).toEqual([]);
  });

  it('turning the cable to the other side does not mirror the insert', () => {
    const right = drawn(lead(), 'A', { toward: 1 });
    const left = drawn(lead(), 'A', { toward: -1 });
    expect(left.contacts).toEqual(right.contacts);
    expect(left.jackets[0]?.x).toBe(-(right.jackets[0]?.x ?? 0));
  });

  it.each<Patch>([{}, { cable: 'star-quad' }, { to: { port: 'unbalanced-input', family: 'phono' } }])(
    'every conductor is drawn once, to the contact its joint says or as a stub: %j',
    (patch) => {
      const of = lead(patch);
      for (const [end, body] of [
        ['A', 'a'],
        ['B', 'b'],
      ] as const) {
        const { conductors } = drawn(of, end);
        expect(conductors.map((c) => c.terminal).sort()).toEqual(
          (of.assembly.uses.cables[0]?.conductors ?? []).map((c) => `W1.${c.id}@${body}`).sort(),
        );
        for (const conductor of conductors) {
          const joint = of.assembly.bodies
            .find((b) => b.id === body)
            ?.joints.find((j) => j.terminals.includes(conductor.terminal));
          if (joint) expect(joint.terminals).toContain(conductor.lands);
          else expect(conductor.left).toBe(of.assembly.unjoined.find((u) => u.at === conductor.terminal)?.is);
        }
      }
    },
  );

  it('a curve starts at the jacket and ends in its contact', () => {
    const { conductors, contacts, jackets } = drawn(lead(), 'A');
    for (const { curve, lands } of conductors) {
      expect(curve[0].x).toBe(jackets[0]?.x);
      const contact = contacts.find((c) => c.terminal === lands);
      expect(Math.hypot(curve[3].x - (contact?.x ?? 99), curve[3].y - (contact?.y ?? 99))).toBeLessThan(
        contact?.radius ?? 0,
      );
    }
  });

  it('a contact knows the joints made on it, a link among them, and a conductor the joint it lands by', () => {
    const end = drawn(
      lead({
        from: { port: 'line-cross-coupled', family: 'xlr3' },
        to: { port: 'unbalanced-input', family: 'phono' },
      }),
      'A',
    );
    const joints = Object.fromEntries(end.contacts.map((contact) => [contact.id, contact.joints]));
    expect(joints).toEqual({ 1: ['joint-A-1', 'link-A-3-1'], 2: ['joint-A-2'], 3: ['link-A-3-1'] });
    expect(Object.fromEntries(end.conductors.map((c) => [c.terminal, c.joint]))).toEqual({
      'W1.screen@a': 'joint-A-1',
      'W1.white@a': 'joint-A-2',
      'W1.black@a': undefined,
    });
  });

  it('numbers the joints in the order given', () => {
    expect(
      drawn(lead(), 'A', { order: ['joint-A-3', 'joint-A-1'] }).numbers.map((n) => [n.n, n.joint]),
    ).toEqual([
      [1, 'joint-A-3'],
      [2, 'joint-A-1'],
    ]);
  });

  it('draws a link to the shell ring, and one between contacts', () => {
    const joined = drawn(lead({ schools: { shell: 'both' } }), 'A');
    const end = joined.links[0]?.to ?? expect.fail('no link');
    expect(Math.hypot(end.x, end.y)).toBeCloseTo(joined.insertRadius, 9);
    const cross = drawn(
      lead({
        from: { port: 'line-cross-coupled', family: 'xlr3' },
        to: { port: 'unbalanced-input', family: 'phono' },
      }),
      'A',
    );
    expect(cross.links).toHaveLength(1);
  });
});

describe('what lights together', () => {
  it('is a net, in words', () => {
    const found = lead();
    const { assembly } = found;
    const situation = useOf(found);
    expect(litPaths(assembly, situation).map((p) => p.says)).toEqual([
      'A.1 – B.1 carries screen, by screen',
      'A.2 – B.2 carries hot, by white',
      'A.3 – B.3 carries cold, by black',
      'A.shell meets nothing',
      'B.shell meets nothing',
    ]);
  });

  it('an open cold says what it would have been', () => {
    const found = lead({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    });
    const { assembly } = found;
    const situation = useOf(found);
    expect(litPaths(assembly, situation).map((p) => p.says)).toContain(
      'A.3 meets nothing (it would be cold)',
    );
  });
});

it('every connector has an outline of a believable length', () => {
  for (const connector of CONNECTORS) {
    expect(profileLength(profileOf(connector))).toBeGreaterThan(connector.mount === 'cable' ? 15 : 1);
    expect(profileLength(profileOf(connector))).toBeLessThan(connector.mount === 'cable' ? 100 : 40);
  }
});

it('jack and phono plugs are told apart from the side, every contact once along it; XLR from the face', () => {
  for (const connector of CONNECTORS.filter((c) => c.gender === 'plug')) {
    const face = sideFace(connector);
    if (/^(xlr|d25|din|mini|screw|twist)/.test(connector.family)) expect(face).toBeUndefined();
    else if (!['plug4', 'probes'].includes(connector.family))
      expect(new Set(face?.flatMap((piece) => piece.contact ?? []))).toEqual(
        new Set(connector.contacts.map((c) => c.id)),
      );
  }
});

describe('a drawing in words', () => {
  const plug = () => drawn(lead(), 'B');

  it('has the contacts where the builder sees them: the solder side of a plug mirrors its face (handbook, section 3)', () => {
    expect(sayPeeled(plug())).toMatch(
      /^End B, solder side, key up: (?=.*2 upper left)(?=.*1 upper right)(?=.*3 lower centre)/,
    );
    expect(sayPeeled(drawn(lead(), 'B', { side: 'mating' }))).toMatch(
      /^End B, mating face, key up: (?=.*1 upper left)(?=.*2 upper right)(?=.*3 lower centre)/,
    );
  });

  it('has every conductor with where it goes, and what is made of it', () => {
    const own = plug();
    const [first, second] = own.conductors.filter(({ joint }) => joint !== undefined);
    const words = sayPeeled(own, { made: new Set([first?.joint ?? '']), now: second?.joint });
    for (const { is, lands } of own.conductors)
      expect(words).toContain(`${is === 'core' ? '' : is} to ${lands?.split('.')[1] ?? ''}`.trim());
    expect(words.match(/, made/g)).toHaveLength(1);
    expect(words.match(/, at hand/g)).toHaveLength(1);
    expect(words.match(/still to be made/g)).toHaveLength(own.conductors.length - 2);
  });

  it('has the two leads of the meter, where they are at this end', () => {
    expect(sayMeterAt(plug(), new Set(['A.2']), new Set(['B.2', 'B.3']))).toBe('black on 2, 3');
    expect(sayMeterAt(plug(), new Set(['B.1']), new Set(['B.2']))).toBe('red on 1; black on 2');
    expect(sayMeterAt(plug(), new Set(['A.2']), new Set(['A.1']))).toBe('');
  });
});
