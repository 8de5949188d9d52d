import { resolveSchools, USUAL_SCHOOLS, type ChosenSchools } from '../../src/core/wiring';
import { useOf } from '../support/leads';
import { describe, expect, it } from 'vitest';
import { endsOf, placeOf, sayPart } from '../../src/core/assembly';
import { sequence, type Operation } from '../../src/core/bench';
import { cuts, screenWires, strips } from '../../src/core/cutting';
import { litPaths, peel } from '../../src/core/drawing';
import { dressed } from '../../src/core/dressing';
import { findings } from '../../src/core/findings';
import { kit } from '../../src/core/kit';
import { derive, schoolsOf } from '../../src/core/lead';
import { EXAMPLES, leadNamed } from './read';

const work = (id: string, schools: ChosenSchools = {}): readonly Operation[] => {
  const lead = leadNamed(id);
  const chosen = resolveSchools({ ...schoolsOf(lead), ...schools });
  return sequence(dressed({ ...lead, schools: chosen }), chosen);
};
const titles = (operations: readonly Operation[]): readonly string[] => operations.map((op) => op.title);

describe('what there is to say against leads that the trade builds', () => {
  it.each(EXAMPLES.map((example) => [example.id]))('%s: nothing says stop', (id) => {
    const found = leadNamed(id);
    expect(findings(found).filter((finding) => finding.severity === 'stop')).toEqual([]);
  });

  it('what is overruled is said for as long as it is so', () => {
    const found = leadNamed('stereo-into-balanced-anyway');
    const against = findings(found).filter(({ severity }) => severity !== 'note');
    expect(against.map((finding) => finding.rule)).toEqual(['overruled']);
  });
});

describe('at the bench', () => {
  it('strands that go under a screw are never tinned, whatever the school (handbook, section 2)', () => {
    for (const id of ['loudspeaker-two-pole', 'loudspeaker-four-pole', 'loudspeaker-bridged'])
      expect(titles(work(id)).filter((title) => /tin/i.test(title))).toEqual([]);
    const wall = work('line-to-screw-terminal');
    expect(wall.filter((op) => op.kind === 'tin cores').map((op) => op.end)).toEqual(['A']);
    expect(titles(wall)).toContain('Screw white under contact 1 at end B');
  });

  it('through a wall: the bench end is closed, the cable pulled, and only then the other end begun', () => {
    const order = work('line-to-screw-terminal');
    const at = (test: (op: Operation) => boolean): number => order.findIndex(test);
    const pull = at((op) => op.kind === 'pull');
    expect(at((op) => op.id === 'clamp-A')).toBeLessThan(pull);
    expect(order.filter((op, n) => n < pull && op.end === 'B')).toEqual([]);
    expect(order[pull]?.caution).toContain('local code');
  });

  it('a fan-out: the cable is parted before anything is threaded, with the larger shrink on it', () => {
    const order = work('stereo-microphone-fan-out');
    const part = order.findIndex((op) => op.kind === 'part');
    expect(order.findIndex((op) => op.kind === 'thread')).toBeGreaterThan(part);
    expect(order[part]?.confirm).toEqual(['heat-shrink, 9.5/4.8 mm, 75 mm: over the split of the cable']);
    expect(order[part]?.title).toContain('2 legs');
  });

  it('pairs that carry nothing are dealt with where the cable parts', () => {
    const lead = derive({
      ...(EXAMPLES.find((example) => example.id === 'stereo-microphone-fan-out')?.intent as object),
      cable: 'multipair-4',
    });
    if (!lead.ok) throw new Error('it can be made');
    const part = sequence(dressed(lead.value), schoolsOf(lead.value)).find((op) => op.kind === 'part');
    expect(part?.detail.join(' ')).toContain('pair 3, 4');
  });

  it('a tail is finished, and warned of tin under screws', () => {
    const finish = work('line-to-tinned-tail').find((op) => op.kind === 'finish');
    expect(finish?.title).toBe('Finish the loose wires of end B: red, black, drain');
    expect(finish?.detail.join(' ')).toContain('It is for soldering: under a screw solder creeps');
    expect(finish?.caution).toContain('Hot iron');
  });

  it('contacts that are not tinned are left out by that school; lead-free is said', () => {
    expect(work('stage-microphone', { contacts: 'plain' }).some((op) => op.kind === 'tin contacts')).toBe(
      false,
    );
    const tin = work('stage-microphone', { solder: 'lead-free' }).find((op) => op.kind === 'tin cores');
    expect(tin?.detail.join(' ')).toContain('217 to 227 °C');
  });

  it('where the print reads with the signal, the end it starts at is marked before the cut', () => {
    const cut = (schools: Readonly<Record<string, string>>): string =>
      work('stage-microphone', schools)
        .find((op) => op.kind === 'cut')
        ?.detail.join(' ') ?? '';
    expect(cut({ direction: 'print' })).toContain('print starts at the source end');
    expect(cut({})).not.toContain('print');
  });

  it('by spot checks a lead may be passed by, and every lead is metered otherwise', () => {
    const prove = (schools: Readonly<Record<string, string>>): Operation | undefined =>
      work('stage-microphone', schools).find((op) => op.kind === 'prove');
    expect(prove({})?.mayPass).toBeUndefined();
    expect(prove({ proving: 'spot' })?.mayPass).toBe(true);
  });

  it('in a multipair a core is called by its pair, since every cold is white', () =>
    expect(titles(work('d25-to-d25'))).toContain('Solder white of pair 5 to contact 6 at end B'));

  it('parts are soldered where they go, each sleeved', () => {
    const sum = work('stereo-sum').filter((op) => op.kind === 'solder' && op.end === 'B');
    expect(sum.map(({ title }) => title)).toEqual(
      expect.arrayContaining([
        'Solder the other legs of R1 and R2 to contact 2 at end B',
        'Last, R3 over contact 1 and contact 2 at end B',
      ]),
    );
    expect(sum.some((op) => op.detail.some((line) => line.includes('Slide its sleeve on first')))).toBe(true);
  });

  it('two cables in one connector are stripped and trimmed one by one', () => {
    const strip = work('two-way-split').filter((op) => op.kind === 'strip' && op.end === 'A');
    expect(strip.map((op) => op.id)).toEqual(['strip-A-W1', 'strip-A-W2']);
  });
});

describe('the kit', () => {
  const lines = (id: string): readonly (readonly [string, number])[] => {
    const of = leadNamed(id);
    const schools = schoolsOf(of);
    return kit(dressed(of), schools).map((line) => [line.what, line.count] as const);
  };
  it('of eight channels: nine connectors, one piece of cable, a sleeve for every drain at both ends', () => {
    expect(lines('d25-to-eight-xlr')).toEqual(
      expect.arrayContaining([
        ['25-way D plug, metal hood', 1],
        ['XLR 3 cable plug, chuck clamp', 8],
        ['Multipair, 8 pairs, each with foil and drain', 1],
        ['Screen-wire sleeve, 1.2/0.6 mm, 41 mm each', 8],
        ['Screen-wire sleeve, 1.2/0.6 mm, 18 mm each', 8],
        ['Heat-shrink, 12.7/6.4 mm, 75 mm', 1],
        ['Heat-shrink, 2.4/1.2 mm, 458 mm each', 8],
      ]),
    );
  });

  it('of a volume box: its control and two panel sockets, and no cable', () => {
    expect(lines('volume-box')).toEqual(
      expect.arrayContaining([
        ['6.35 mm TRS panel socket', 2],
        ['potentiometer 100 Ω, dual, logarithmic', 1],
      ]),
    );
    expect(cuts(leadNamed('volume-box').assembly, USUAL_SCHOOLS)).toEqual([]);
  });

  it('of a record-player lead: the earth wire has its own cut and spade', () => {
    expect(lines('record-player-separate-earth')).toEqual(
      expect.arrayContaining([
        ['Earth wire, thin and flexible', 1],
        ['earth spade', 1],
      ]),
    );
  });

  it.each([
    [{ id: 'R1', kind: 'resistor', ohms: 20_000 }, '20 kΩ'],
    [{ id: 'C1', kind: 'capacitor', farads: 10e-6 }, '10 µF'],
    [{ id: 'C1', kind: 'capacitor', farads: 47e-9 }, '47 nF'],
    [{ id: 'D1', kind: 'led', forwardVolts: 2 }, '2 V forward'],
    [{ id: 'S1', kind: 'switch' }, ''],
  ] as const)('says the value of %o as %s', (part, says) => expect(sayPart(part)).toBe(says));
});

describe('cutting', () => {
  it('every end that a cable comes to is stripped, tails too', () => {
    for (const { id } of EXAMPLES) {
      const of = leadNamed(id);
      const { assembly } = of;
      const schools = schoolsOf(of);
      const ends = new Set(strips(assembly, schools).map((strip) => strip.end));
      for (const body of assembly.bodies.filter((each) => each.entries.length > 0 && each.ends.length > 0))
        expect(ends.has(body.ends[0]?.id ?? ''), id).toBe(true);
    }
  });

  it('a drain that is cut back has no wire to sleeve', () => {
    const of = leadNamed('screen-lift');
    const { assembly } = of;
    const schools = schoolsOf(of);
    expect(screenWires(assembly, schools).map((wire) => wire.strip.end)).toEqual(['A']);
  });
});

describe('drawings', () => {
  it('a core that lands on a part says which, one on the case says so, and neither is called loose', () => {
    const left = (id: string, end: string): readonly (string | undefined)[] =>
      peel(leadNamed(id).assembly, end)?.conductors.flatMap((each) => each.left ?? []) ?? [];
    expect(left('stereo-sum', 'B')).toEqual(['to R1', 'to R2']);
    expect(left('record-player-separate-earth', 'A')).toEqual(['to the case']);
  });

  it('a leg beyond a break-out is thinner than the cable that it comes out of', () => {
    const { assembly } = leadNamed('d25-to-eight-xlr');
    const [trunk, leg] = ['A', 'B'].map((end) => peel(assembly, end)?.jackets[0]?.thickness ?? 0);
    expect(leg).toBeLessThan((trunk ?? 0) / 2);
  });

  it('every conductor that comes to an end with a face is drawn once there', () => {
    for (const { id } of EXAMPLES) {
      const { assembly } = leadNamed(id);
      for (const end of endsOf(assembly)) {
        const drawn = peel(assembly, end.id);
        if (!drawn) continue;
        const terminals = drawn.conductors.map((each) => each.terminal);
        expect(new Set(terminals).size).toBe(terminals.length);
        for (const terminal of terminals) expect(placeOf(assembly, terminal)?.kind).toBe('conductor');
      }
    }
  });

  it('each net says what it carries, channel by channel', () => {
    const found = leadNamed('stereo-microphone-fan-out');
    const { assembly } = found;
    const situation = useOf(found);
    const says = litPaths(assembly, situation).map((path) => path.says);
    expect(says.some((line) => line.startsWith('A.4 – C.2 carries hot'))).toBe(true);
    expect(says.some((line) => line.startsWith('A.1 – B.1 – C.1 carries screen'))).toBe(true);
  });
});
