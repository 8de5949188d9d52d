import { turned } from '../outline';
import type { ConnectorEntry, Layout } from '../entries';
import { before, body, compose, contacts, type Make, mono, onCircle, several } from './compose';

const PRACTICE = 'common practice';
const strip = {
  jacketMm: { min: 20, max: 40, usual: 30 },
  bareMm: { min: 8, max: 13, usual: 13 },
  source: PRACTICE,
} as const;
/** Two posts stand this far apart, so the legs are as long beyond their boot; and so much of them lies under it; mm (common practice: ¾ in; nominal). */
const [APART, UNDER_BOOT] = [19, 15];
/** How far a pair is split for two plugs with caps so long, mm: through the cap, across to its post, and under the boot. */
const splitFor = (cap: number) => {
  const split = cap + APART + UNDER_BOOT;
  return {
    reachMm: { face: split, tip: split + 18 },
    strip: {
      ...strip,
      jacketMm: { min: cap + APART, max: cap + 2 * APART + UNDER_BOOT, usual: split },
      source: `${cap} mm of cap, ${APART} across to its post, ${UNDER_BOOT} under the boot: nominal`,
    },
  };
};
const POLES = {
  2: ['1+', '1-'],
  4: ['1+', '1-', '2+', '2-'],
  8: ['1+', '1-', '2+', '2-', '3+', '3-', '4+', '4-'],
};

/** A 2-pole twist-lock carries 1+ and 1− only; which two are live of a bridged output is the amplifier's own. */
const LAYOUTS: Readonly<Record<2 | 4 | 8, readonly Layout[]>> = {
  2: [mono('loudspeaker', { plus: '1+', minus: '1-' }, PRACTICE)],
  4: [
    mono('loudspeaker', { plus: '1+', minus: '1-' }, PRACTICE),
    several('loudspeaker-2', { 1: { plus: '1+', minus: '1-' }, 2: { plus: '2+', minus: '2-' } }, PRACTICE),
    mono('loudspeaker-bridged', { plus: '1+', minus: '2+' }, PRACTICE, {
      id: 'bridged-1-2',
      name: 'bridged on 1+ and 2+',
      asks: true,
    }),
    mono('loudspeaker-bridged', { plus: '1+', minus: '1-' }, PRACTICE, {
      id: 'bridged-1',
      name: 'bridged on 1+ and 1−',
      asks: true,
    }),
  ],
  8: [mono('loudspeaker', { plus: '1+', minus: '1-' }, PRACTICE)],
};

/** Twist-lock contacts take bare strands or a ferrule under a screw: never tinned, since solder creeps. */
const twistLock = (poles: 2 | 4 | 8): readonly ConnectorEntry[] => {
  const makes: readonly Make[] = [
    {
      id: `twist${poles}-plug`,
      name: `Twist-lock ${poles}-pole cable plug`,
      gender: 'plug',
      mount: 'cable',
      angle: 'straight',
      bodyParts: before('bushing', 'chuck'),
      cableMm: { min: 5, max: poles === 8 ? 20 : 15 },
      reachMm: { face: 50, tip: 50 },
      strip: { ...strip, jacketMm: { min: 18, max: 25, usual: 20 }, bareMm: { min: 7, max: 9, usual: 8 } },
      clamp: 'chuck closed by the bushing',
      grip: 'all round',
      outline: body([turned(22, 22, 22, 'insulator')], 40, 26, 14),
      source: 'common practice; dimensions nominal',
    },
    {
      id: `twist${poles}-panel`,
      name: `Twist-lock ${poles}-pole panel socket`,
      gender: 'socket',
      mount: 'panel',
      holeMm: 24,
      reachMm: { face: 0, tip: 0 },
      strip,
      outline: [turned(3, 26, 26, 'metal'), turned(28, 24, 22, 'insulator')],
      source: 'common practice; dimensions nominal',
    },
  ];
  return compose(
    {
      family: `twist${poles}`,
      familyName: `twist-lock ${poles}-pole`,
      signals: ['loudspeaker'],
      layouts: LAYOUTS[poles],
      contacts: contacts(POLES[poles], 'screw', 3.2),
      shell: false,
      plugFace: onCircle(
        6,
        Object.fromEntries(POLES[poles].map((id, n) => [id, 90 - (360 / POLES[poles].length) * n])),
      ),
      insertRadiusMm: 11,
      keyed: true,
      faceSource: 'order nominal: read the marks beside the screws',
    },
    makes,
  );
};

const pairPattern = {
  family: 'plug4',
  familyName: '4 mm plugs',
  signals: ['loudspeaker'],
  layouts: [mono('loudspeaker', { plus: '+', minus: '-' }, PRACTICE)],
  contacts: contacts(['+', '-'], 'screw', 4, { '+': 'red +', '-': 'black −' }),
  shell: false,
  plugFace: [
    { contact: '+', x: -9.5, y: 0 },
    { contact: '-', x: 9.5, y: 0 },
  ],
  insertRadiusMm: 14,
  keyed: false,
  faceSource: 'nominal: two single plugs, red and black',
} as const;

export const loudspeaker: readonly ConnectorEntry[] = [
  ...compose(pairPattern, [
    {
      id: 'plug4-pair',
      name: '4 mm loudspeaker plugs, red and black',
      gender: 'plug',
      mount: 'cable',
      angle: 'straight',
      bodyParts: before('boot over both legs', 'red cap', 'black cap'),
      cableMm: { min: 4, max: 8 },
      ...splitFor(26),
      clamp: 'set screw on bare strands: never on tinned ones; some have a left-hand thread',
      outline: body([turned(18, 4, 4, 'metal', '+')], 26, 10, 8),
      source: 'common practice; dimensions nominal',
    },
    {
      id: 'plug4-pair-folded',
      name: '4 mm loudspeaker plugs, strands folded over the rim',
      gender: 'plug',
      mount: 'cable',
      angle: 'straight',
      bodyParts: before('boot over both legs', 'red cap', 'black cap'),
      cableMm: { min: 4, max: 8 },
      ...splitFor(22),
      clamp: 'strands fanned evenly over the rim, the cap screwed down on them: the gap that is left shows',
      bestFor: 'where no screw may press on the strands',
      outline: body([turned(18, 4, 4, 'metal', '+')], 22, 10, 8),
      source: 'common practice; dimensions nominal',
    },
    {
      id: 'plug4-pair-chain',
      name: '4 mm loudspeaker plugs that take another behind',
      gender: 'plug',
      mount: 'cable',
      angle: 'straight',
      bodyParts: before('boot over both legs', 'red cap', 'black cap'),
      cableMm: { min: 4, max: 8 },
      ...splitFor(30),
      clamp: 'set screw on bare strands: never on tinned ones; some have a left-hand thread',
      bestFor: 'several lines on one post: each plug takes another behind it',
      outline: body([turned(18, 4, 4, 'metal', '+')], 30, 10, 8),
      source: 'common practice; dimensions nominal',
    },
    {
      id: 'plug4-panel',
      name: '4 mm binding posts, red and black',
      gender: 'socket',
      mount: 'panel',
      reachMm: { face: 0, tip: 0 },
      strip,
      outline: [turned(18, 10, 10, 'metal')],
      source: 'common practice; dimensions nominal',
    },
  ]),
  ...([2, 4, 8] as const).flatMap(twistLock),
];
