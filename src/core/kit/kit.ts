import {
  dressingKind,
  endsOf,
  needsSolder,
  sayPart,
  sayPartKind,
  sayRatings,
  thingOf,
  type Assembly,
  type LooseContact,
} from '../assembly';
import { cuts, screenWires } from '../cutting';
import { formatLength } from '../quantity';
import { lengthSystem, sayConnector, type Schools } from '../wiring';

/** One line of what to lay out before starting. */
export interface KitLine {
  readonly id: string;
  readonly what: string;
  readonly count: number;
  /** For cable and sleeve: how much, mm, for all of `count` together. */
  readonly mm?: number;
  readonly detail: string;
}

const SOLDER: Readonly<Record<string, string>> = {
  'tin-lead': 'Rosin-cored solder, 1 mm',
  'lead-free': 'Lead-free rosin-cored solder, 1 mm',
  silver: 'Silver-bearing rosin-cored solder, 1 mm',
};

/** Sleeve for the screen wire is this much shorter than the wire, for the joint, mm (nominal). */
const SLEEVE_SHORT = 4;

/**
 * Everything that goes into a lead: connectors, cable by cut length, parts, sleeve, and the label.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     kit(assembly, {}).find((line) => line.id === 'pair-braid').mm; // → 5966
 */
export function kit(assembly: Assembly, schools: Schools): readonly KitLine[] {
  return [
    ...connectorLines(assembly, schools),
    ...cableLines(assembly, schools),
    ...partLines(assembly),
    ...sleeveLines(assembly, schools),
    ...looseLines(assembly),
    ...dressingLines(assembly),
    ...solderLines(assembly, schools),
    thingOf(assembly) === 'box'
      ? {
          id: 'label',
          what: 'Label for the lid',
          count: 1,
          detail: 'what it is for, number; one at each socket',
        }
      : {
          id: 'label',
          what: 'Wrap label and clear shrink',
          count: 1,
          detail: assembly.lengths.length > 0 ? 'length, ends, number' : 'ends, number',
        },
  ];
}

/** Nothing is soldered of what only goes under screws. */
const solderLines = (assembly: Assembly, schools: Schools): readonly KitLine[] =>
  needsSolder(assembly)
    ? [
        {
          id: 'solder',
          what: SOLDER[schools.solder ?? 'tin-lead'] ?? '',
          count: 1,
          detail: 'never acid flux',
        },
      ]
    : [];

function connectorLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  return assembly.uses.connectors.flatMap((connector): KitLine[] => {
    const ends = endsOf(assembly).filter((end) => end.connector === connector.id);
    return ends.length === 0
      ? []
      : [
          {
            id: connector.id,
            what: sayConnector(connector, schools),
            count: ends.length,
            detail: `end ${ends.map((end) => end.id).join(', ')}; ${connector.clamp ?? 'clamp by its own instructions'}`,
          },
        ];
  });
}

/** Cable by kind: all its cut lengths. */
function cableLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  const system = lengthSystem(schools);
  return assembly.uses.cables.flatMap((cable): KitLine[] => {
    const pieces = cuts(assembly, schools).filter((cut) => cut.cable === cable.id);
    const total = pieces.reduce((sum, cut) => sum + cut.total, 0);
    return pieces.length === 0
      ? []
      : [
          {
            id: cable.id,
            what: cable.name,
            count: pieces.length,
            mm: total,
            detail: pieces.map((cut) => `cut ${formatLength(cut.total, system)}`).join(', '),
          },
        ];
  });
}

/** Parts alike are counted once. */
function partLines(assembly: Assembly): readonly KitLine[] {
  const parts = new Map<string, KitLine>();
  for (const part of assembly.bodies.flatMap((body) => body.parts)) {
    const id = [sayPartKind(part), sayPart(part)].filter(Boolean).join(' ');
    const before = parts.get(id);
    parts.set(id, {
      id,
      what: [id, sayRatings(part)].filter(Boolean).join(', '),
      count: (before?.count ?? 0) + 1,
      detail: [before?.detail, part.id].filter(Boolean).join(', '),
    });
  }
  return [...parts.values()];
}

/** Sleeve for bare screen wires, where the workshop puts it on. */
function sleeveLines(assembly: Assembly, schools: Schools): readonly KitLine[] {
  const system = lengthSystem(schools);
  const bareScreens = screenWires(assembly, schools).map((wire) => Math.max(0, wire.mm - SLEEVE_SHORT));
  return schools['screen-wire'] === 'sleeved' && bareScreens.length > 0
    ? [
        {
          id: 'sleeve',
          what: 'Sleeve for the screen wire, 2.4/1.2 mm shrink',
          count: bareScreens.length,
          mm: bareScreens.reduce((sum, each) => sum + each, 0),
          detail: [...new Set(bareScreens)]
            .map((each) => {
              const count = bareScreens.filter((other) => other === each).length;
              return `${count > 1 ? `${count} × ` : ''}${formatLength(each, system)}`;
            })
            .join(', '),
        },
      ]
    : [];
}

const LOOSE: Readonly<Record<NonNullable<LooseContact['finish']>, string>> = {
  bare: 'Loose wire, bare, sleeved',
  tinned: 'Loose wire, tinned, sleeved',
  spade: 'Spade for the screw it goes under, crimped, sleeved',
  ferrule: 'Ferrule for the wire, crimped, sleeved',
  pin: 'Pin, soldered, sleeved',
  ring: 'Ring terminal for the screw it goes under, crimped, sleeved',
};
const sayLoose = (wire: LooseContact | undefined): string =>
  wire?.finish ? LOOSE[wire.finish] : 'Loose wire, finished and sleeved';

function looseLines(assembly: Assembly): readonly KitLine[] {
  return endsOf(assembly).flatMap((end): KitLine[] =>
    end.loose
      ? [
          {
            id: `loose-${end.id}`,
            what:
              end.loose.length === 1 && end.loose[0]?.finish === 'spade'
                ? end.loose[0].name
                : sayLoose(end.loose[0]),
            count: end.loose.length,
            detail: `end ${end.id}: ${end.loose.map((wire) => wire.id).join(', ')}`,
          },
        ]
      : [],
  );
}

function dressingLines(assembly: Assembly): readonly KitLine[] {
  return assembly.dressings.flatMap((dressing): KitLine[] => {
    const kind = dressingKind(dressing.what);
    // How wires are laid takes nothing, and what the builder has is not taken.
    if (!kind || kind.is === 'construction' || dressing.owned) return [];
    const { size, lengthMm } = dressing;
    const bore = size
      ? `${size.suppliedMm}${size.recoveredMm === undefined ? '' : `/${size.recoveredMm}`} mm`
      : '';
    return [
      {
        id: `dressing-${dressing.id}`,
        what: [kind.name, bore].filter(Boolean).join(', '),
        count: 1,
        ...(lengthMm === undefined ? {} : { mm: lengthMm }),
        detail: dressing.says,
      },
    ];
  });
}
