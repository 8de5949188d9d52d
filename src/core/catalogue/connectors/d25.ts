import { turned } from '../outline';
import type { ConnectorEntry, RoleMap } from '../entries';
import { after, before, body, compose, contacts, inRow, type Make, several, STRIP } from './compose';

/** Hot, cold and screen of each of eight balanced channels (AES59; cited, from memory: check the list). 13 is unused. */
export const AES59_CHANNELS: readonly (readonly [hot: number, cold: number, screen: number])[] = [
  [24, 12, 25],
  [10, 23, 11],
  [21, 9, 22],
  [7, 20, 8],
  [18, 6, 19],
  [4, 17, 5],
  [15, 3, 16],
  [1, 14, 2],
];

const numbers = (from: number, to: number): string[] =>
  Array.from({ length: to - from + 1 }, (_, n) => `${from + n}`);
const makes: readonly Make[] = (['plug', 'socket'] as const).flatMap((gender): Make[] => [
  {
    id: `d25-${gender}`,
    name: `25-way D ${gender}, metal hood`,
    gender,
    mount: 'cable',
    angle: 'straight',
    bodyParts: [...before('shrink for the break-out'), after('hood, both halves', 'side')],
    cableMm: { min: 6, max: 13 },
    reachMm: { face: 38, tip: 38 },
    strip: { ...STRIP.xlr, bareMm: { min: 3, max: 4, usual: 3 }, jacketMm: { min: 35, max: 60, usual: 45 } },
    clamp: 'strap in the hood, on the jacket',
    outline: body([turned(6, 39, 39, 'metal')], 40, 53, 0),
    source: 'channels AES59, from memory; dimensions nominal',
  },
  {
    id: `d25-panel-${gender}`,
    name: `25-way D panel ${gender}`,
    gender,
    mount: 'panel',
    reachMm: { face: 0, tip: 0 },
    strip: STRIP.xlr,
    outline: [turned(6, 39, 39, 'metal'), turned(8, 53, 53, 'insulator')],
    source: 'channels AES59, from memory; dimensions nominal',
  },
]);

export const d25: readonly ConnectorEntry[] = compose(
  {
    family: 'd25',
    familyName: '25-way D',
    signals: ['line', 'microphone'],
    layouts: [
      several(
        'balanced-8',
        Object.fromEntries(
          AES59_CHANNELS.map(([hot, cold, screen], n): [string, RoleMap] => [
            `${n + 1}`,
            { hot: `${hot}`, cold: `${cold}`, screen: `${screen}` },
          ]),
        ),
        'AES59 (cited, from memory)',
      ),
    ],
    contacts: contacts(numbers(1, 25), 'cup', 1.3),
    shell: true,
    plugFace: [...inRow(numbers(1, 13), 2.77, 1.42), ...inRow(numbers(14, 25), 2.77, -1.42)],
    insertRadiusMm: 19,
    keyed: true,
    faceSource: 'wide row at the top, plug 1 upper left (from memory); distances nominal',
  },
  makes,
);
