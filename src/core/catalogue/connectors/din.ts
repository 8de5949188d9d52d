import { turned } from '../outline';
import type { ConnectorEntry, ContactPlace } from '../entries';
import { before, body, compose, contacts, inRow, type Make, mono, onCircle, STRIP } from './compose';

const makesOf = (id: string, name: string): readonly Make[] => [
  ...(['plug', 'socket'] as const).map((gender): Make => ({
    id: `${id}-${gender}`,
    name: `${name} cable ${gender}`,
    gender,
    mount: 'cable',
    angle: 'straight',
    bodyParts: before('shell', 'collar'),
    cableMm: { min: 3, max: 7 },
    reachMm: { face: 28, tip: 28 },
    strip: STRIP.short,
    clamp: 'crimp claws on the jacket',
    outline: body([turned(10, 13, 13, 'metal')], 28, 15, 10),
    source: 'common practice; dimensions nominal',
  })),
  {
    id: `${id}-panel`,
    name: `${name} panel socket`,
    gender: 'socket',
    mount: 'panel',
    reachMm: { face: 0, tip: 0 },
    strip: STRIP.short,
    outline: [turned(3, 20, 20, 'metal'), turned(12, 14, 14, 'insulator')],
    source: 'common practice; dimensions nominal',
  },
];

/** Round multi-contact families whose pin list, apart from DIN control data, is the equipment's own: it is asked for. */
const round = (
  family: string,
  familyName: string,
  face: readonly ContactPlace[],
  radius: number,
  source: string,
): readonly ConnectorEntry[] =>
  compose(
    {
      family,
      familyName,
      contacts: contacts(
        face.map((place) => place.contact),
        'cup',
        1.6,
      ),
      shell: true,
      plugFace: face,
      insertRadiusMm: radius,
      keyed: true,
      faceSource: source,
    },
    makesOf(family, familyName),
  );

const DIN = 'numbering IEC 60130-9 (cited, from memory); read the numbers on the insert';
/** The 5-contact arc runs 1-4-2-5-3. */
const DIN5 = onCircle(3.8, { 1: 180, 4: 135, 2: 90, 5: 45, 3: 0 });
const SPREAD = (count: number, radius: number): readonly ContactPlace[] =>
  onCircle(
    radius,
    Object.fromEntries(Array.from({ length: count }, (_, n) => [`${n + 1}`, 150 - (360 / count) * n])),
  );

export const din: readonly ConnectorEntry[] = [
  ...round('din3', 'DIN 3', onCircle(3.8, { 1: 180, 2: 90, 3: 0 }), 6.6, DIN),
  ...round('din5', 'DIN 5', DIN5, 6.6, DIN),
  ...round('din5-data', 'DIN 5 for control data', DIN5, 6.6, DIN).map((entry): ConnectorEntry => ({
    ...entry,
    signals: ['data'],
    layouts: [mono('data', { hot: '5', cold: '4', screen: '2' }, 'common practice')],
  })),
  ...([3, 4, 5] as const).flatMap((count) =>
    round(
      `mini${count}`,
      `miniature XLR ${count}`,
      SPREAD(count, 2.2),
      4.5,
      'nominal: read the numbers on the insert',
    ),
  ),
  ...round('screwring4', 'old screw-ring 4', SPREAD(4, 3.6), 7, 'nominal: read the numbers on the insert'),
  ...([3, 6] as const).flatMap((ways) =>
    compose(
      {
        family: `screw${ways}`,
        familyName: `screw terminal ${ways}-way`,
        contacts: contacts(
          Array.from({ length: ways }, (_, n) => `${n + 1}`),
          'screw',
          2.2,
        ),
        shell: false,
        plugFace: inRow(
          Array.from({ length: ways }, (_, n) => `${n + 1}`),
          3.81,
        ),
        insertRadiusMm: ways * 2.2,
        keyed: true,
        faceSource: 'nominal: count from the end that the equipment’s marking starts at',
      },
      [
        {
          id: `screw${ways}`,
          name: `Pluggable screw terminal, ${ways} way`,
          gender: 'plug',
          mount: 'cable',
          angle: 'straight',
          bodyParts: before('shrink over the jacket’s edge'),
          cableMm: { min: 2, max: 9 },
          reachMm: { face: 18, tip: 18 },
          strip: {
            ...STRIP.short,
            bareMm: { min: 5, max: 7, usual: 6 },
            jacketMm: { min: 15, max: 30, usual: 20 },
          },
          clamp: 'none of its own: tie the jacket to the rack bar',
          outline: [turned(18, ways * 4, ways * 4, 'insulator')],
          source: 'common practice; dimensions nominal',
        },
      ],
    ),
  ),
];
