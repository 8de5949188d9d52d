import { jointsOf, type Assembly, type Body, type Joint, type Part, type Terminal } from '../assembly';
import { metalOf, partMetal, piecesOf, type Metal } from '../model';
import type { Fault, Variant } from './faults';
import { meterOn, type Probe } from './probe';

/** A lead as a meter sees it, piece by piece: a fault is looked at on the pieces that it touches alone. */
export interface Pieces {
  readonly reads: (probe: Probe) => number;
  /** Whether a probe touches a piece that a fault has something to do with: it reads as ever elsewhere. */
  readonly touching: (fault: Fault) => (probe: Probe) => boolean;
  /** What probes that touch it read of the same lead with a fault, of one size or several. */
  readonly faulty: (fault: Fault) => readonly ((probe: Probe) => number)[];
}

interface Changes {
  readonly gone: ReadonlySet<object>;
  readonly joints: readonly Joint[];
  readonly parts: readonly Part[];
  /** Every terminal of what is gone and of what came. */
  readonly terminals: readonly Terminal[];
}

/** What is in the one list and not in the other, by going along both: what stayed is the same object in the same order. */
function difference<Of extends object>(
  before: readonly Of[],
  after: readonly Of[],
): { readonly gone: readonly Of[]; readonly came: readonly Of[] } {
  if (before === after) return { gone: [], came: [] };
  const [gone, came]: [Of[], Of[]] = [[], []];
  let n = 0;
  let k = 0;
  while (n < before.length || k < after.length) {
    const [one, other] = [before[n], after[k]];
    if (one === other) {
      n++;
      k++;
    } else if (one && before[n + 1] === other) {
      gone.push(one);
      n++;
    } else if (other && after[k + 1] === one) {
      came.push(other);
      k++;
    } else {
      if (one) gone.push(one);
      if (other) came.push(other);
      n++;
      k++;
    }
  }
  return { gone, came };
}

const between = (before: Body, after: Body) => ({
  joints: difference(jointsOf(before), jointsOf(after)),
  parts: difference(before.parts, after.parts),
});

/** What a fault changed in a lead; nothing where that is more than joints and parts. */
function changesOf(assembly: Assembly, { assembly: faulty, extra = [] }: Variant): Changes | undefined {
  if (faulty.spans !== assembly.spans || faulty.bodies.length !== assembly.bodies.length) return undefined;
  const changed = faulty.bodies.flatMap((body, n) => {
    const before = assembly.bodies[n];
    return before && before !== body ? [between(before, body)] : [];
  });
  const [gone, joints] = [
    changed.flatMap((each) => each.joints.gone),
    changed.flatMap((each) => each.joints.came),
  ];
  const [out, parts] = [
    changed.flatMap((each) => each.parts.gone),
    changed.flatMap((each) => each.parts.came),
  ];
  return {
    gone: new Set<object>([...gone, ...out]),
    joints,
    parts,
    terminals: [
      ...[...gone, ...joints].flatMap((joint) => joint.terminals),
      ...[...out, ...parts].flatMap((part) => partMetal(part).flatMap(({ a, b }) => [a, b])),
      ...extra.flatMap(({ a, b }) => [a, b]),
    ],
  };
}

/** Takes a lead apart into pieces. */
export function piecesFor(assembly: Assembly, lengths: ReadonlyMap<string, number>): Pieces {
  const whole = metalOf(assembly, { lengths });
  const piece = piecesOf(whole);
  const byPiece = new Map<
    string,
    { joined: Metal['joined'][number][]; elements: Metal['elements'][number][] }
  >();
  const at = (terminal: Terminal) => {
    const name = piece(terminal);
    const known = byPiece.get(name) ?? { joined: [], elements: [] };
    byPiece.set(name, known);
    return known;
  };
  for (const each of whole.joined)
    if (each.terminals[0] !== undefined) at(each.terminals[0]).joined.push(each);
  for (const each of whole.elements) at(each.a).elements.push(each);
  const known = new Map<Probe, readonly string[]>();
  const on = (probe: Probe): readonly string[] => {
    const names = known.get(probe) ?? [...new Set([probe.red, ...probe.black].map(piece))];
    known.set(probe, names);
    return names;
  };
  const one = (variant: Variant, near: readonly Terminal[]): ((probe: Probe) => number) => {
    const changes = changesOf(assembly, variant);
    if (!changes) return meterOn(metalOf(variant.assembly, { lengths }), variant.extra);
    const involved = new Set([...near, ...changes.terminals].map(piece));
    const here = [...involved].flatMap((name) => byPiece.get(name) ?? []);
    return meterOn(
      {
        joined: [
          ...here.flatMap(({ joined }) =>
            joined.filter(({ by }) => by === undefined || !changes.gone.has(by)),
          ),
          ...changes.joints.map((joint) => ({ by: joint, terminals: joint.terminals })),
        ],
        elements: [
          ...here.flatMap(({ elements }) => elements.filter(({ by }) => !changes.gone.has(by))),
          ...changes.parts.flatMap((part) => partMetal(part)),
        ],
      },
      variant.extra,
    );
  };
  return {
    reads: meterOn(whole),
    touching: ({ near }) => {
      const involved = new Set(near.map(piece));
      return (probe) => on(probe).some((name) => involved.has(name));
    },
    faulty: ({ near, variants }) => variants().map((variant) => one(variant, near)),
  };
}
