import type { Patch } from '../../../tests/support/intents';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor, useOf } from '../../../tests/support/leads';
import { describe, expect, it } from 'vitest';
import { CONNECTORS } from '../catalogue';
import type { Lead } from '../lead';
import {
  litPaths,
  matingFace,
  peel,
  profileLength,
  profileOf,
  sayMeterAt,
  sayPeeled,
  sideFace,
  stripOf,
  type PeeledEnd,
} from '.';
import { along } from './curve';

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

  it('the mouth of the jacket is as far from the insert as it is stripped: 22 mm where nothing is said', () => {
    const mouth = (options = {}): number => drawn(lead(), 'A', options).jackets[0]?.x ?? 0;
    const insertRadius = drawn(lead(), 'A').inserts[0].radius;
    expect(mouth()).toBe(insertRadius + 22);
    expect(mouth({ stripMm: 30 })).toBe(insertRadius + 30);
    expect(mouth({ stripMm: 30, toward: -1 })).toBe(-insertRadius - 30);
  });

  it('two cables lie beside each other, 10 mm from middle to middle; one lies in the middle', () => {
    const two = drawn(
      lead({
        to: [
          { port: 'microphone-input', family: 'xlr3' },
          { port: 'microphone-input', family: 'xlr3' },
        ],
        cable: 'pair-mini',
      }),
      'A',
    );
    expect(two.jackets.map(({ y }) => y)).toEqual([5, -5]);
    expect(drawn(lead(), 'A').jackets.map(({ y }) => y)).toEqual([0]);
  });

  it('a conductor is as thick as it is, and 1.2 mm where nobody knows', () => {
    const widths = (of: Lead): readonly number[] => drawn(of, 'A').conductors.map(({ width }) => width);
    expect([...widths(lead())].sort()).toEqual([1.4, 1.4, 2.1]);
    const plain = lead();
    const unknown: Lead = {
      ...plain,
      assembly: {
        ...plain.assembly,
        uses: {
          ...plain.assembly.uses,
          cables: plain.assembly.uses.cables.map((cable) => ({
            ...cable,
            conductors: cable.conductors.map(({ outerMm: _, ...each }) => each),
          })),
        },
      },
    };
    expect(widths(unknown)).toEqual([1.2, 1.2, 1.2]);
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
    const end = joined.links[0]?.curve[3] ?? expect.fail('no link');
    expect(Math.hypot(end.x, end.y)).toBeCloseTo(joined.inserts[0].radius, 9);
    const cross = drawn(
      lead({
        from: { port: 'line-cross-coupled', family: 'xlr3' },
        to: { port: 'unbalanced-input', family: 'phono' },
      }),
      'A',
    );
    expect(cross.links).toHaveLength(1);
  });

  it('a link between contacts of one insert lies over none that it does not join: a strap of returns goes round the hot between them', () => {
    let bowed = 0;
    for (const { id, assembly } of EXAMPLES.map((each) => ({ id: each.id, assembly: leadOf(each).assembly })))
      for (const end of assembly.bodies.flatMap(({ ends }) => ends)) {
        const shown = peel(assembly, end.id);
        for (const { curve, terminals } of shown?.links ?? []) {
          const [from, , , to] = curve;
          const on = (point: { x: number; y: number }): string | undefined =>
            shown?.contacts.find(({ x, y }) => Math.hypot(x - point.x, y - point.y) < 1e-6)?.terminal;
          if (on(from) === undefined || on(to) === undefined || shown?.inserts.length !== 1) continue;
          const straight = Math.hypot(to.x - from.x, to.y - from.y);
          const mid = along(curve, 0.5);
          if (Math.hypot(mid.x - (from.x + to.x) / 2, mid.y - (from.y + to.y) / 2) > 0.01 * straight) bowed++;
          for (const other of shown.contacts.filter(({ terminal }) => !terminals.includes(terminal)))
            for (let n = 1; n < 60; n++) {
              const { x, y } = along(curve, n / 60);
              expect(
                Math.hypot(other.x - x, other.y - y),
                `${id} ${end.id} over ${other.terminal}`,
              ).toBeGreaterThan(other.radius);
            }
        }
      }
    expect(bowed).toBeGreaterThan(0);
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

  it('a contact with no role carries nothing, by its conductor', () => {
    const of = lead({ cable: 'star-quad', schools: { 'spare-cores': 'cut-back' } });
    const bare = litPaths(of.assembly, undefined);
    expect(bare.find(({ terminals }) => terminals.includes('A.2'))?.says).toMatch(
      /^A\.2 – B\.2 carries nothing, by white$/,
    );
    expect(litPaths(of.assembly, useOf(of)).find(({ terminals }) => terminals.includes('A.2'))?.says).toMatch(
      /^A\.2 – B\.2 carries hot, by white$/,
    );
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

it('along a line a lead starts with what no cable leads to, and what is only a place on the way is no end', () => {
  const ids = (of: Lead) => {
    const { starts, others, more } = stripOf(of.assembly);
    return [starts.map(({ id }) => id), others.map(({ id }) => id), more];
  };
  expect(ids(lead())).toEqual([['A'], ['B'], 0]);
  const sum = lead({
    from: [
      { port: 'unbalanced-output', family: 'phono', channel: 'left' },
      { port: 'unbalanced-output', family: 'phono', channel: 'right' },
    ],
    to: { port: 'line-input', family: 'xlr3' },
    cable: 'instrument-coax',
  });
  expect(ids(sum)).toEqual([['A', 'B'], ['C'], 0]);
  const trunk = lead({
    from: { port: 'microphone-stereo', family: 'xlr5' },
    to: [
      { port: 'microphone-input', family: 'xlr3', channel: 'left' },
      { port: 'microphone-input', family: 'xlr3', channel: 'right' },
    ],
    cable: 'multipair-2',
    legs: { mm: 400 },
  });
  expect(ids(trunk)).toEqual([['A'], ['B', 'C'], 0]);
  const barrel = lead({
    form: 'barrel',
    from: { port: 'line-end', family: 'xlr3', gender: 'socket' },
    to: { port: 'line-end', family: 'xlr3', gender: 'plug' },
  });
  expect(ids(barrel)).toEqual([['A'], ['B'], 0]);
  expect(stripOf(barrel.assembly).cable).toBeUndefined();
  // What has no cable is no lead on the page: a box or a barrel, or what stands alone.
  expect(stripOf(barrel.assembly).housing).toBe('barrel');
  expect(stripOf(lead().assembly).housing).toBeUndefined();
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

it('seen from its side a jack’s tip is farthest from its cable, then ring, then sleeve, whichever way the cable leaves', () => {
  const jack = leadNamed('rack-trs-to-trs');
  for (const toward of [1, -1] as const) {
    const places = new Map(
      matingFace(jack.assembly, 'B', toward)?.contacts.map(({ id, x }) => [id, toward * x]),
    );
    const [tip = NaN, ring = NaN, sleeve = NaN] = ['T', 'R', 'S'].map((id) => places.get(id));
    expect(tip).toBeLessThan(ring);
    expect(ring).toBeLessThan(sleeve);
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

  it('tells eight contacts where each lies, and of more that their numbers are on the insert', () => {
    const places = (count: number): string => {
      const { contacts: _, ...own } = plug();
      return sayPeeled({
        ...own,
        conductors: [],
        contacts: Array.from({ length: count }, (_each, n) => ({
          id: `${n + 1}`,
          terminal: `B.${n + 1}`,
          x: n - count / 2,
          y: 4,
          radius: 1,
          takes: 'cup' as const,
          joints: [],
        })),
      });
    };
    expect(places(8)).toContain('8 upper right');
    expect(places(9)).toBe('End B, solder side, key up.');
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

it('what lies along a finger is drawn within it, the finger round the middle, tip before ring before sleeve', () => {
  // Fingers of 30.5, 15 and 8 mm (IEC 60603-11, and a phono pin, from memory).
  for (const [name, end, long] of [
    ['insert-tip-send', 'A', 30.5],
    ['instrument-lead', 'A', 30.5],
    ['stereo-35-to-35', 'A', 15],
  ] as const)
    for (const toward of [1, -1] as const) {
      const places = (matingFace(leadNamed(name).assembly, end, toward)?.contacts ?? []).filter(({ id }) =>
        ['T', 'R', 'S'].includes(id),
      );
      expect(places.length).toBeGreaterThan(1);
      for (const { id, x, y } of places) {
        expect(Math.abs(x), `${name} ${id}`).toBeLessThan(long / 2);
        expect(y).toBe(0);
      }
      const along = [...places].sort((a, b) => toward * (a.x - b.x)).map(({ id }) => id);
      expect(along).toEqual(['T', 'R', 'S'].filter((id) => along.includes(id)));
    }
});
