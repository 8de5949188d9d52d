import type { PortKind } from '../entries';

const input = (
  id: string,
  name: string,
  signal: PortKind['signal'],
  impedance: number,
  levelDbu: number,
  more: Partial<PortKind> = {},
): PortKind => ({
  id,
  name,
  direction: 'in',
  format: 'balanced',
  phantom: 'unhurt',
  screenBond: 'chassis',
  impedance,
  levelDbu,
  signal,
  source: 'typical, from memory',
  ...more,
});

const UNBALANCED = {
  format: 'unbalanced',
  screenBond: 'signal ground',
  longestUnbalancedM: { quiet: 10, stage: 5 },
} as const;
const LOUDSPEAKER = { format: 'loudspeaker', screenBond: 'none' } as const;

export const DESTINATIONS: readonly PortKind[] = [
  input('microphone-input', 'microphone input, phantom off', 'microphone', 2000, -40),
  input('microphone-input-phantom', 'microphone input, phantom on', 'microphone', 2000, -40, {
    phantom: 'gives',
    source: 'typical, from memory; supply IEC 61938 (cited, from memory)',
  }),
  ...(['P24', 'P12'] as const).map((supply) =>
    input(
      `microphone-input-${supply.toLowerCase()}`,
      `microphone input with ${supply} phantom`,
      'microphone',
      2000,
      -40,
      {
        phantom: 'gives',
        supply,
        source: 'typical, from memory; supply IEC 61938 (cited, from memory)',
      },
    ),
  ),
  input('microphone-input-t-power', 'microphone input with T-power', 'microphone', 2000, -40, {
    gives: { kind: 'T-power', volts: 12 },
    source: 'typical, from memory; supply IEC 61938 (cited, from memory)',
  }),
  input('line-input', 'balanced line input', 'line', 20_000, 4),
  input('line-input-eight', 'eight balanced line inputs', 'line', 20_000, 4, { format: 'balanced-8' }),
  input('powered-loudspeaker', 'powered loudspeaker', 'line', 10_000, 4),
  input(
    'powered-loudspeaker-unbalanced',
    'powered loudspeaker, unbalanced input',
    'line',
    10_000,
    -7.8,
    UNBALANCED,
  ),
  input('unbalanced-input', 'unbalanced input', 'line', 10_000, -7.8, UNBALANCED),
  input('stereo-input', 'stereo unbalanced input', 'line', 10_000, -7.8, { ...UNBALANCED, format: 'stereo' }),
  input('instrument-input', 'instrument input', 'instrument', 1_000_000, -20, {
    ...UNBALANCED,
    longestUnbalancedM: { quiet: 6, stage: 6 },
  }),
  input('recorder-input', 'recorder’s stereo microphone input with plug-in power', 'microphone', 4000, -45, {
    ...UNBALANCED,
    format: 'stereo',
    gives: { kind: 'plug-in power', volts: 3 },
    source: 'plug-in power 2 to 5 V through a few kΩ, common practice; the rest typical, from memory',
  }),
  input(
    'camera-input',
    'camera’s or pack’s mono microphone input with plug-in power',
    'microphone',
    4000,
    -45,
    {
      ...UNBALANCED,
      gives: { kind: 'plug-in power', volts: 3 },
      source: 'plug-in power 2 to 5 V through a few kΩ, common practice; the rest typical, from memory',
    },
  ),
  input('record-player-input', 'record-player preamplifier input', 'pickup', 47_000, -44, {
    ...UNBALANCED,
    longestUnbalancedM: { quiet: 1.5, stage: 1.5 },
    picofarads: 100,
    source: 'common practice: 47 kΩ beside 100 to 300 pF in all; its own 100 pF from memory',
  }),
  input('headphones', 'headphones', 'headphone', 32, -2, { format: 'stereo', screenBond: 'none' }),
  input('headphone-cups', 'the earpieces of a headphone, opened', 'headphone', 32, -2, {
    format: 'stereo',
    screenBond: 'none',
  }),
  input('loudspeaker', 'loudspeaker, 8 Ω', 'loudspeaker', 8, 34, LOUDSPEAKER),
  input('loudspeaker-two', 'loudspeaker with two ways on one connector', 'loudspeaker', 8, 34, {
    ...LOUDSPEAKER,
    format: 'loudspeaker-2',
  }),
  input(
    'loudspeaker-constant-voltage',
    'constant-voltage loudspeaker line',
    'loudspeaker',
    500,
    42,
    LOUDSPEAKER,
  ),
];

const either = (
  id: string,
  name: string,
  format: PortKind['format'],
  signal: PortKind['signal'],
  more: Partial<PortKind> = {},
): PortKind => ({
  ...input(id, name, signal, 2000, 4, { format, ...more }),
  direction: 'either',
});

/** Not a port of sound equipment: a torch whose switch has been taken out, and whatever its two probes are held to. */
export const TEST_LAMP: readonly PortKind[] = [
  {
    ...input('battery-lamp', 'battery lamp with its switch taken out', 'test', 10, 12, {
      format: 'probe',
      screenBond: 'none',
      source: 'common practice',
    }),
    direction: 'out',
  },
  input('lead-under-test', 'lead under test', 'test', 1, 12, {
    format: 'probe',
    screenBond: 'none',
    phantom: 'harmed',
    source: 'common practice',
  }),
];

/** The ends of other leads, panels and fields: whatever is on them passes; and what sends and receives on one connector. */
export const LINES: readonly PortKind[] = [
  either('line-end', 'balanced line that goes on', 'balanced', 'line'),
  either('unbalanced-line-end', 'unbalanced line that goes on', 'unbalanced', 'line', UNBALANCED),
  either('stereo-line-end', 'stereo line that goes on', 'stereo', 'headphone', {
    screenBond: 'signal ground',
  }),
  either('stereo-balanced-line-end', 'stereo balanced line that goes on', 'stereo-balanced', 'microphone'),
  either('loudspeaker-line-end', 'loudspeaker line that goes on', 'loudspeaker', 'loudspeaker', LOUDSPEAKER),
  either('patch-point', 'patch field', 'balanced', 'patch'),
  either('data-port', 'control data', 'data', 'data'),
  either('insert', 'insert of a desk', 'insert', 'insert', { screenBond: 'signal ground', levelDbu: 0 }),
  { ...either('intercom-station', 'intercom station', 'intercom', 'intercom'), screenBond: 'signal ground' },
  { ...either('intercom-headset', 'intercom headset', 'intercom', 'intercom'), screenBond: 'none' },
  {
    ...either('headset-socket', 'headset socket of a tablet', 'headset', 'headphone'),
    screenBond: 'signal ground',
    gives: { kind: 'plug-in power', volts: 2 },
  },
  { ...either('headset', 'headset', 'headset', 'headphone'), screenBond: 'none', needs: 'plug-in power' },
];

/** A lead that is plugged into nothing and lies on the meter: what shorts it harms nobody. */
const measured = (
  id: string,
  name: string,
  format: PortKind['format'],
  more: Partial<PortKind> = {},
): PortKind => ({
  ...either(id, name, format, 'test', more),
  screenBond: 'none',
  source: 'common practice',
});

/** What a shorting plug is put on. */
export const MEASURED: readonly PortKind[] = [
  measured('balanced-under-test', 'balanced lead on the meter', 'balanced'),
  measured('unbalanced-under-test', 'unbalanced lead on the meter', 'unbalanced'),
  measured('stereo-under-test', 'stereo lead on the meter', 'stereo'),
  measured('stereo-balanced-under-test', 'stereo balanced lead on the meter', 'stereo-balanced'),
  measured('eight-channels-under-test', 'eight-channel lead on the meter', 'balanced-8'),
  measured('loudspeaker-under-test', 'loudspeaker lead on the meter', 'loudspeaker'),
];
