import { turned } from '../outline';
import type { ConnectorEntry, ContactPlace, Layout, Turned } from '../entries';
import { after, before, body, compose, contacts, type Make, mono, type Pattern, several } from './compose';

type Kind = 'ts' | 'trs' | 'trrs';
const PRACTICE = 'common practice';
const IDS: Readonly<Record<Kind, readonly string[]>> = {
  ts: ['T', 'S'],
  trs: ['T', 'R', 'S'],
  trrs: ['T', 'R1', 'R2', 'S'],
};
const NAMES = { T: 'tip', R: 'ring', R1: 'ring 1', R2: 'ring 2', S: 'sleeve' };

const stereo = several(
  'stereo',
  { left: { hot: 'T', return: 'S' }, right: { hot: 'R', return: 'S' } },
  PRACTICE,
);
const insert: readonly Layout[] = [
  several('insert', { send: { hot: 'T', return: 'S' }, return: { hot: 'R', return: 'S' } }, PRACTICE, {
    id: 'insert-tip-send',
    name: 'send on tip',
    asks: true,
  }),
  several('insert', { send: { hot: 'R', return: 'S' }, return: { hot: 'T', return: 'S' } }, PRACTICE, {
    id: 'insert-ring-send',
    name: 'send on ring',
    asks: true,
  }),
];
const balanced = mono('balanced', { hot: 'T', cold: 'R', screen: 'S' }, PRACTICE);
const unbalanced = mono('unbalanced', { hot: 'T', return: 'S' }, PRACTICE);

/** What the small three-contact microphone inputs of cameras, recorders and wireless packs have: makers differ. */
const smallMicrophone: readonly Layout[] = [
  mono('unbalanced', { hot: 'T', supply: 'R', return: 'S' }, PRACTICE, {
    id: 'microphone-on-tip',
    name: 'microphone on tip, supply on ring',
    asks: true,
  }),
  mono('balanced', { hot: 'T', cold: 'R', screen: 'S' }, PRACTICE, {
    id: 'balanced-mono',
    name: 'balanced mono',
    asks: true,
  }),
];

/** A headset's four contacts: left and right are settled, common and microphone come in two orders. */
const headset = (common: string, microphone: string): Layout =>
  several(
    'headset',
    {
      left: { hot: 'T', return: common },
      right: { hot: 'R1', return: common },
      microphone: { hot: microphone, return: common },
    },
    PRACTICE,
    {
      id: `headset-common-${common.toLowerCase()}`,
      name: `common on ${NAMES[common as 'R2']}, microphone on ${NAMES[microphone as 'S']}`,
      asks: true,
    },
  );

/** Tip and sleeve only: in a TRS socket the long sleeve touches ring and sleeve together. */
const tipAndSleeve = mono('balanced', { hot: 'T', cold: 'S', screen: 'S' }, PRACTICE, {
  id: 'tip-and-sleeve',
  name: 'tip and sleeve only: cold on ground',
  shorts: true,
});

const LAYOUTS: Readonly<Record<string, readonly Layout[]>> = {
  ts635: [unbalanced, tipAndSleeve, mono('loudspeaker', { plus: 'T', minus: 'S' }, PRACTICE)],
  trs635: [balanced, stereo, ...insert],
  ts35: [unbalanced],
  trs35: [stereo, ...smallMicrophone],
  trrs35: [headset('R2', 'S'), headset('S', 'R2')],
};

const SIGNALS: Readonly<Record<string, ConnectorEntry['signals']>> = {
  ts635: ['line', 'instrument', 'loudspeaker'],
  trs635: ['line', 'headphone', 'insert'],
  ts35: ['line', 'microphone'],
  trs35: ['line', 'headphone', 'microphone'],
  trrs35: ['headphone'],
};

/** From the front the contacts lie behind each other; they are drawn side by side in their order, the tip in the middle. */
const face = (kind: Kind, radius: number): readonly ContactPlace[] =>
  IDS[kind].map((contact, n) => ({ contact, x: Math.round(n * radius * 55) / 100, y: 0 }));
/** From behind, shell off, the lugs lie behind each other: tip first, then rings, and the sleeve's below them, nearest to the cable. */
const solderSide = (kind: Kind, radius: number): readonly ContactPlace[] => {
  const hot = IDS[kind].filter((id) => id !== 'S');
  const apart = radius * 0.3 + 1.9;
  const places = hot.map((contact, n) => ({
    contact,
    x: Math.round((n - (hot.length - 1) / 2) * apart * 100) / 100 || 0,
    y: Math.round(radius * 45) / 100,
  }));
  return [...places, { contact: 'S', x: radius * 0.3, y: -radius * 0.55 }];
};

interface Size {
  readonly id: '635' | '35';
  readonly name: string;
  readonly diameter: number;
  readonly sleeve: number;
  readonly radius: number;
  readonly handle: readonly [length: number, width: number];
}
const SIZES: readonly Size[] = [
  { id: '635', name: '6.35 mm', diameter: 6.35, sleeve: 16, radius: 6, handle: [34, 14] },
  { id: '35', name: '3.5 mm', diameter: 3.5, sleeve: 7, radius: 4, handle: [24, 9] },
];

/** The finger from tip to sleeve: rings are short, with insulators between. */
const finger = (kind: Kind, { diameter, sleeve, id }: Size): readonly Turned[] => {
  const small = id === '35' ? 0.55 : 1;
  const rings = IDS[kind].filter((contact) => contact.startsWith('R'));
  return [
    turned(4 * small, 3 * small, 5.4 * small, 'metal', 'T'),
    turned(3 * small, 5 * small, diameter, 'metal', 'T'),
    ...rings.flatMap((ring) => [
      turned(1.4 * small, diameter, diameter, 'insulator'),
      turned(5 * small, diameter, diameter, 'metal', ring),
    ]),
    turned((rings.length > 0 ? 1.4 : 1.6) * small, diameter, diameter, 'insulator'),
    turned(rings.length > 0 ? sleeve : sleeve + 6 * small, diameter, diameter, 'metal', 'S'),
  ];
};

/** Other bodies of the 3.5 mm plug: how they hold the cable, how thick it may be, how far the finger stands out. */
function smallBodies(
  kind: Kind,
  cable: Omit<Make, 'id' | 'name' | 'gender'>,
  inside: number,
  reach: number,
): readonly Make[] {
  const [size] = SIZES.slice(1) as [Size];
  const plug = (
    body_: string,
    name: string,
    more: Partial<Make>,
    [length, width, shoulder = 0]: readonly number[],
  ): Make => ({
    ...cable,
    id: `${kind}35-plug-${body_}`,
    name: `3.5 mm ${kind.toUpperCase()} plug, ${name}`,
    gender: 'plug',
    angle: 'straight',
    reachMm: { face: inside, tip: Math.round((inside + reach + shoulder) * 10) / 10 },
    outline: body(
      [...finger(kind, size), ...(shoulder > 0 ? [turned(shoulder, 5.5, 5.5, 'metal')] : [])],
      length ?? 24,
      width ?? 9,
      10,
    ),
    ...more,
  });
  return [
    plug(
      'clutch',
      'clutch',
      {
        bodyParts: before('shell with its clutch', 'insulating sleeve'),
        cableMm: { min: 2.5, max: 5.5 },
        clamp: 'clutch: screwing the shell on closes it round the jacket',
        grip: 'all round',
      },
      [28, 10],
    ),
    plug(
      'set-screw',
      'set screw',
      {
        cableMm: { min: 2.5, max: 4.5 },
        clamp: 'set screw on the jacket: snug, not through it; a hexagon key',
        grip: 'one side',
      },
      [24, 9],
    ),
    plug(
      'long',
      'long shoulder',
      { cableMm: { min: 2, max: 4.5 }, bestFor: 'a device in a case, whose socket lies deep' },
      [24, 9, 5],
    ),
    plug(
      'large',
      'large entry',
      {
        cableMm: { min: 4.5, max: 8 },
        innerMm: { long: 22, wide: 9.5 },
        bestFor: 'cable that is too thick for any other',
        bodyParts: before('boot', 'shell', 'insulating sleeve'),
      },
      [32, 12],
    ),
  ];
}

// eslint-disable-next-line max-lines-per-function -- one table: the sizes and contacts of jacks, read side by side.
function family(kind: Kind, size: Size): readonly ConnectorEntry[] {
  const id = `${kind}${size.id}`;
  const name = `${size.name} ${kind.toUpperCase()}`;
  const small = size.id === '35';
  const pattern: Pattern = {
    family: id,
    familyName: `${size.id === '635' ? '6.35' : '3.5'} ${kind.toUpperCase()}`,
    signals: SIGNALS[id] ?? [],
    contacts: contacts(IDS[kind], 'tab', small ? 1.1 : 1.8, NAMES).map((contact) =>
      contact.id === 'S' ? { ...contact, takes: 'lug' as const, boreMm: small ? 1.6 : 2.5 } : contact,
    ),
    shell: true,
    bonded: [['S', 'shell']],
    layouts: LAYOUTS[id] ?? [],
    plugFace: face(kind, size.radius),
    solder: solderSide(kind, size.radius),
    insertRadiusMm: size.radius,
    keyed: false,
    faceSource: 'nominal: look for the lug that rings through to the tip',
  };
  const reach = finger(kind, size).reduce((sum, piece) => sum + piece.length, 0);
  const inside = small ? 12 : 16;
  const cable = {
    mount: 'cable',
    bodyParts: before('shell', 'insulating sleeve'),
    cableMm: small ? { min: 2, max: 5 } : { min: 4, max: 7 },
    innerMm: small ? { long: 14, wide: 6.5 } : { long: 24, wide: 11 },
    strip: {
      jacketMm: { min: 9, max: 13, usual: 10 },
      bareMm: { min: 2, max: 4, usual: small ? 2 : 3 },
      source: 'common practice',
    },
    clamp: 'crimp tabs on the sleeve lug: they grip jacket, never cores',
    grip: 'tab',
    source: 'IEC 60603-11 for the plug finger, from memory; other dimensions nominal',
  } as const;
  const makes: readonly Make[] = [
    {
      ...cable,
      id: `${id}-plug`,
      name: `${name} plug`,
      gender: 'plug',
      angle: 'straight',
      reachMm: { face: inside, tip: Math.round((inside + reach) * 10) / 10 },
      outline: body(finger(kind, size), size.handle[0], size.handle[1], 10),
    },
    {
      ...cable,
      id: `${id}-plug-right-angle`,
      name: `${name} plug, right angle`,
      gender: 'plug',
      angle: 'right-angle',
      bodyParts: [...before('boot'), after('lid', 'side')],
      clamp: 'cable clamp under the lid',
      grip: 'one side',
      reachMm: { face: 8, tip: Math.round((8 + reach) * 10) / 10 },
      outline: body(finger(kind, size), small ? 9 : 14, size.handle[1], 0),
    },
    ...(small ? smallBodies(kind, cable, inside, reach) : []),
    {
      ...cable,
      id: `${id}-socket`,
      name: `${name} cable socket`,
      gender: 'socket',
      angle: 'straight',
      reachMm: { face: 44, tip: 44 },
      outline: body([], 44, size.handle[1] + 1, 10),
    },
    {
      id: `${id}-panel`,
      name: `${name} panel socket`,
      gender: 'socket',
      mount: 'panel',
      holeMm: small ? 6 : 9.5,
      reachMm: { face: 0, tip: 0 },
      strip: cable.strip,
      outline: [
        turned(4, small ? 8 : 12, small ? 8 : 12, 'metal'),
        turned(small ? 10 : 20, 14, 14, 'insulator'),
      ],
      source: 'IEC 60603-11 for what goes in, from memory; other dimensions nominal',
    },
  ];
  return compose(pattern, makes).map((entry) =>
    entry.mount === 'panel' ? { ...entry, bonded: [], shell: false } : entry,
  );
}

export const jack: readonly ConnectorEntry[] = [
  ...(['trs', 'ts'] as const).flatMap((kind) => family(kind, SIZES[0] as Size)),
  ...(['trs', 'ts', 'trrs'] as const).flatMap((kind) => family(kind, SIZES[1] as Size)),
];
