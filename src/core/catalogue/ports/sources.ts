import type { ColdLeg, PortKind } from '../types';

const microphone = (
  id: string,
  name: string,
  phantom: PortKind['phantom'],
  impedance: number,
  levelDbu: number,
): PortKind => ({
  id,
  name,
  direction: 'out',
  balanced: true,
  coldLeg: 'transformer',
  phantom,
  impedance,
  levelDbu,
  signal: 'microphone',
  source: 'impedance and level typical, from memory',
});

const line = (coldLeg: ColdLeg, words: string, impedance: number): PortKind => ({
  id: `line-${coldLeg}`,
  name: `balanced line output, ${words}`,
  direction: 'out',
  balanced: true,
  coldLeg,
  impedance,
  phantom: coldLeg === 'transformer' ? 'unhurt' : 'harmed',
  levelDbu: 4,
  signal: 'line',
  source: 'impedance typical, from memory; +4 dBu common practice',
});

export const SOURCES: readonly PortKind[] = [
  microphone('microphone', 'balanced microphone, moving coil', 'unhurt', 200, -50),
  {
    ...microphone('microphone-phantom', 'balanced microphone, phantom powered', 'needs', 150, -36),
    coldLeg: 'impedance-balanced',
  },
  microphone('microphone-ribbon', 'balanced microphone, ribbon', 'harmed', 250, -56),
  line('ground-referenced', 'ground-referenced', 100),
  line('cross-coupled', 'cross-coupled', 100),
  line('transformer', 'transformer', 60),
  line('impedance-balanced', 'impedance-balanced', 150),
  {
    id: 'unbalanced-output',
    name: 'unbalanced output',
    direction: 'out',
    balanced: false,
    phantom: 'harmed',
    impedance: 1000,
    levelDbu: -7.8,
    longestUnbalancedM: { quiet: 10, stage: 5 },
    signal: 'line',
    source: '−10 dBV common practice; impedance typical, run lengths common practice, from memory',
  },
  {
    id: 'instrument',
    name: 'instrument, passive pickup',
    direction: 'out',
    balanced: false,
    phantom: 'harmed',
    impedance: 10_000,
    levelDbu: -20,
    longestUnbalancedM: { quiet: 6, stage: 6 },
    signal: 'instrument',
    source: 'typical, from memory',
  },
];
