import { jointsOf, type Assembly, type Body, type Joint, type Part, type Terminal } from '../assembly';
import { metalOf, partMetal, piecesOf, type Metal } from '../model';
import type { Variant } from './faults';
import { meterOn, type Probe } from './probe';

/** A faulty lead, for the meter. */
export interface Faulty {
  /** Whether a probe touches a piece that the fault has something to do with: it reads as ever elsewhere. */
  readonly touches: (probe: Probe) => boolean;
  readonly reads: (probe: Probe) => number;
}

/** A lead as a meter sees it, piece by piece: a fault is looked at on the pieces that it touches alone. */
export interface Pieces {
  readonly reads: (probe: Probe) => number;
  /** The same lead with a fault, of one size or several. */
  readonly faulty: (variants: readonly Variant[]) => readonly Faulty[];
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
  const one = (variant: Variant): Faulty => {
    const changes = changesOf(assembly, variant);
    if (!changes) {
      const reads = meterOn(metalOf(variant.assembly, { lengths }), variant.extra);
      return { touches: () => true, reads };
    }
    const involved = new Set(changes.terminals.map(piece));
    const here = [...involved].flatMap((name) => byPiece.get(name) ?? []);
    const metal: Metal = {
      joined: [
        ...here.flatMap(({ joined }) => joined.filter(({ by }) => by === undefined || !changes.gone.has(by))),
        ...changes.joints.map((joint) => ({ by: joint, terminals: joint.terminals })),
      ],
      elements: [
        ...here.flatMap(({ elements }) => elements.filter(({ by }) => !changes.gone.has(by))),
        ...changes.parts.flatMap((part) => partMetal(part)),
      ],
    };
    return {
      touches: ({ red, black }) =>
        involved.has(piece(red)) || black.some((each) => involved.has(piece(each))),
      reads: meterOn(metal, variant.extra),
    };
  };
  return { reads: meterOn(whole), faulty: (variants) => variants.map(one) };
}
