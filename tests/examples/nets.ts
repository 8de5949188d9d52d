/** What the trade says an example comes to, written by hand from the handbook's row and not from the program. */
export interface HandNets {
  /** Where the row is. */
  readonly source: string;
  /** Nets that join contacts, apart by `|`. A contact that is not named meets nothing. */
  readonly nets: string;
  /** Parts: id, kind, value and where each lead is: a contact on its net, or `~name` for a net inside the lead. */
  readonly parts?: string;
}

const ROW = (n: number | string): string => `handbook section 5, row ${n}`;
const STRAIGHT = 'A.1 B.1 | A.2 B.2 | A.3 B.3';
/** AES59 as the handbook lists it: hot/cold/screen of channels 1 to 8. */
const D25 = [
  [24, 12, 25],
  [10, 23, 11],
  [21, 9, 22],
  [7, 20, 8],
  [18, 6, 19],
  [4, 17, 5],
  [15, 3, 16],
  [1, 14, 2],
] as const;
const LETTERS = 'ABCDEFGHI';

export const HAND_NETS: Readonly<Record<string, HandNets>> = {
  'stage-microphone': { source: ROW(1), nets: STRAIGHT },
  'star-quad-microphone': { source: ROW(1), nets: STRAIGHT },
  'star-quad-spare-cores': { source: ROW(1), nets: STRAIGHT },
  'line-xlr-to-trs': { source: ROW(1), nets: 'A.1 B.S B.shell | A.2 B.T | A.3 B.R' },
  'rack-trs-to-trs': { source: ROW(1), nets: 'A.T B.T | A.R B.R | A.S A.shell B.S B.shell' },
  'line-to-screw-terminal': { source: ROW(1), nets: 'A.2 B.1 | A.3 B.2 | A.1 B.3' },
  'd25-to-d25': {
    source: 'handbook section 3, 25-way D',
    nets: D25.flatMap((channel) => channel.map((n) => `A.${n} B.${n}`)).join(' | '),
  },
  'shell-joined': {
    source: 'handbook section 6, connector shell',
    nets: 'A.1 A.shell B.1 B.shell | A.2 B.2 | A.3 B.3',
  },
  'screen-source-only': { source: 'handbook section 6, screen', nets: 'A.2 B.2 | A.3 B.3' },
  'line-to-tinned-tail': { source: ROW(1), nets: 'A.2 B.red | A.3 B.black | A.1 B.drain' },
  'balanced-to-phono-ground-referenced': { source: ROW(2), nets: 'A.2 B.C | A.1 B.K B.shell' },
  'balanced-to-ts-cross-coupled': { source: ROW(2), nets: 'A.2 B.T | A.1 A.3 B.S B.shell' },
  'balanced-to-phono-transformer': { source: ROW(2), nets: 'A.2 B.C | A.1 A.3 B.K B.shell' },
  'balanced-trs-to-phono-impedance': { source: ROW(2), nets: 'A.T B.C | A.S A.shell B.K B.shell' },
  'unbalanced-ts-to-xlr': { source: ROW(3), nets: 'A.T B.2 | A.S A.shell B.1 B.3' },
  'instrument-lead': { source: ROW(4), nets: 'A.T B.T | A.S A.shell B.S B.shell' },
  'phono-with-both-cores': { source: ROW(4), nets: 'A.C B.C | A.K A.shell B.K B.shell' },
  'quasi-balanced-phono': { source: ROW(4), nets: 'A.C B.C | A.K A.shell B.K B.shell' },
  'stereo-35-to-35': { source: ROW(5), nets: 'A.T B.T | A.R B.R | A.S A.shell B.S B.shell' },
  'stereo-quad-doubled': { source: ROW(5), nets: 'A.T B.T | A.R B.R | A.S A.shell B.S B.shell' },
  'stereo-to-two-phono': {
    source: ROW(5),
    nets: 'A.T B.C | A.R C.C | A.S A.shell B.K B.shell C.K C.shell',
  },
  'stereo-to-two-ts': { source: ROW(5), nets: 'A.T B.T | A.R C.T | A.S A.shell B.S B.shell C.S C.shell' },
  'tablet-to-two-loudspeakers': {
    source: ROW(6),
    nets: 'A.T B.2 | A.R C.2 | A.S A.shell B.1 B.3 C.1 C.3',
  },
  'line-to-both-channels': { source: ROW(7), nets: 'A.2 B.T B.R | A.1 B.S B.shell' },
  'microphone-to-recorder': {
    source: ROW(7),
    nets: 'B.T B.R | A.1 A.3 B.S B.shell',
    parts: 'C1 capacitor 10e-6 a=A.2 b=B.T',
  },
  'stereo-sum': {
    source: ROW(8),
    nets: 'A.S A.shell B.1 B.3',
    parts: 'R1 resistor 470 a=A.T b=B.2; R2 resistor 470 a=A.R b=B.2; R3 resistor 20e3 a=B.2 b=B.1',
  },
  'stereo-sum-at-source': {
    source: ROW(8),
    nets: 'A.S A.shell B.1 B.3',
    parts: 'R1 resistor 470 a=A.T b=B.2; R2 resistor 470 a=A.R b=B.2; R3 resistor 20e3 a=B.2 b=B.1',
  },
  'two-phono-sum': {
    source: ROW(8),
    nets: 'A.K A.shell B.K B.shell C.1 C.3',
    parts: 'R1 resistor 470 a=A.C b=C.2; R2 resistor 470 a=B.C b=C.2; R3 resistor 20e3 a=C.2 b=C.1',
  },
  'balanced-sum': {
    source: `${ROW(8)}: never a bare Y; a resistor in every leg keeps it balanced`,
    nets: 'A.1 B.1 C.1',
    parts:
      'R1 resistor 470 a=A.2 b=C.2; R2 resistor 470 a=A.3 b=C.3; R3 resistor 470 a=B.2 b=C.2; R4 resistor 470 a=B.3 b=C.3',
  },
  'balanced-sum-transformer': {
    source: `${ROW(8)}, in every leg; row 2: a transformer is the thorough answer`,
    nets: '',
    parts:
      'R1 resistor 470 a=A.2 b=~hot; R2 resistor 470 a=A.3 b=~cold; R3 resistor 470 a=B.2 b=~hot; R4 resistor 470 a=B.3 b=~cold; T1 transformer 60 p1=~hot p2=~cold s1=C.2 s2=C.3',
  },
  'headphone-cord': {
    source: `${ROW(5)}; section 16: the old cord can become the new lead`,
    nets: 'A.T B.T | A.R B.R | A.S A.shell B.S B.shell',
  },
  'headphone-y': {
    source: `${ROW(9)}, and row 5`,
    nets: 'A.T B.T C.T | A.R B.R C.R | A.S A.shell B.S B.shell C.S C.shell',
  },
  'two-microphones-to-recorder': {
    source: ROW(7),
    nets: 'A.1 A.3 B.1 B.3 C.S C.shell',
    parts: 'C1 capacitor 10e-6 a=A.2 b=C.T; C2 capacitor 10e-6 a=B.2 b=C.R',
  },
  'two-way-split': { source: ROW(9), nets: 'A.1 B.1 C.1 | A.2 B.2 C.2 | A.3 B.3 C.3' },
  'chain-split': { source: ROW(10), nets: 'A.1 B.1 C.1 D.1 | A.2 B.2 C.2 D.2 | A.3 B.3 C.3 D.3' },
  'stereo-microphone-fan-out': {
    source: ROW(11),
    nets: 'A.1 B.1 C.1 | A.2 B.2 | A.3 B.3 | A.4 C.2 | A.5 C.3',
  },
  'd25-to-eight-xlr': {
    source: `${ROW(11)}, and section 3, 25-way D`,
    nets: D25.map(([hot, cold, screen], n) => {
      const to = LETTERS[n + 1] ?? '';
      return `A.${hot} ${to}.2 | A.${cold} ${to}.3 | A.${screen} ${to}.1`;
    }).join(' | '),
  },
  'eight-xlr-to-d25': {
    source: `${ROW(11)}, and section 3, 25-way D`,
    nets: D25.map(([hot, cold, screen], n) => {
      const from = LETTERS[n] ?? '';
      return `${from}.2 I.${hot} | ${from}.3 I.${cold} | ${from}.1 I.${screen}`;
    }).join(' | '),
  },
  'four-way-multipair': {
    source: ROW(11),
    nets: [
      ['A', 'E'],
      ['B', 'F'],
      ['C', 'G'],
      ['D', 'H'],
    ]
      .flatMap(([from = '', to = '']) => ['1', '2', '3'].map((n) => `${from}.${n} ${to}.${n}`))
      .join(' | '),
  },
  'insert-tip-send': { source: ROW(12), nets: 'A.T B.T | A.R C.T | A.S A.shell B.S B.shell C.S C.shell' },
  'insert-ring-send': { source: ROW(12), nets: 'A.R B.T | A.T C.T | A.S A.shell B.S B.shell C.S C.shell' },
  turnaround: { source: ROW(13), nets: STRAIGHT },
  'polarity-reverse': { source: ROW(13), nets: 'A.1 B.1 | A.2 B.3 | A.3 B.2' },
  'screen-lift': { source: ROW(13), nets: 'A.2 B.2 | A.3 B.3' },
  // A barrel is one piece of metal from shell to shell.
  'screen-lift-barrel': { source: ROW(13), nets: 'A.2 B.2 | A.3 B.3 | A.shell B.shell' },
  // 150 Ω across a 2 kΩ input is 139.5 Ω; 139.5 × (10 − 1) ÷ 2 = 628 Ω a leg, nearest E24 620 Ω.
  'pad-u-barrel': {
    source: `${ROW(14)}; E24 (IEC 60063)`,
    nets: 'A.1 B.1 | A.shell B.shell',
    parts: 'R1 resistor 620 a=A.2 b=B.2; R2 resistor 620 a=A.3 b=B.3; R3 resistor 150 a=B.2 b=B.3',
  },
  // 600 Ω, K = 10: 600 × 9 ÷ 11 ÷ 2 = 245 Ω → 240 Ω four times; 2 × 600 × 10 ÷ 99 = 121 Ω → 120 Ω.
  'pad-h-lead': {
    source: `${ROW(14)}; E24 (IEC 60063)`,
    nets: 'A.1 B.1',
    parts:
      'R1 resistor 240 a=A.2 b=~hot; R2 resistor 240 a=A.3 b=~cold; R3 resistor 240 a=~hot b=B.2; R4 resistor 240 a=~cold b=B.3; R5 resistor 120 a=~hot b=~cold',
  },
  // 600 Ω, K = 10: shunts 600 × 11 ÷ 9 = 733 Ω → 750 Ω; series 600 × 99 ÷ 20 = 2970 Ω ÷ 2 → 1.5 kΩ a leg.
  'pad-balanced-pi': {
    source: `${ROW(14)}; E24 (IEC 60063)`,
    nets: 'A.1 B.1 | A.shell B.shell',
    parts:
      'R1 resistor 1500 a=A.2 b=B.2; R2 resistor 1500 a=A.3 b=B.3; R3 resistor 750 a=A.2 b=A.3; R4 resistor 750 a=B.2 b=B.3',
  },
  // 10 kΩ ÷ 13 = 769 Ω, nearest E24 750 Ω; across the 10 kΩ input 697.7 Ω; × (3.162 − 1) = 1509 Ω → 1.5 kΩ.
  'pad-unbalanced-l': {
    source: `${ROW(14)}; E24 (IEC 60063)`,
    nets: 'A.K A.shell B.K B.shell',
    parts: 'R1 resistor 1500 a=A.C b=B.C; R2 resistor 750 a=B.C b=B.K',
  },
  // 600 Ω, K = 10: 600 × 9 ÷ 11 = 491 Ω, nearest E24 by ratio 510 Ω; 2 × 600 × 10 ÷ 99 = 121 Ω → 120 Ω.
  'pad-unbalanced-t': {
    source: `${ROW(14)}; E24 (IEC 60063)`,
    nets: 'A.K A.shell B.K B.shell',
    parts: 'R1 resistor 510 a=A.C b=~mid; R2 resistor 510 a=~mid b=B.C; R3 resistor 120 a=~mid b=B.K',
  },
  'transformer-line-to-recorder': {
    source: `${ROW(2)}: a transformer in line is the thorough answer`,
    nets: 'B.K B.shell',
    parts: 'T1 transformer 60 p1=A.2 p2=A.3 s1=B.C s2=B.K',
  },
  'two-loudspeakers-parallel': { source: ROW(15), nets: 'A.+ B.1+ C.1+ | A.- B.1- C.1-' },
  'loudspeaker-two-pole': { source: ROW(15), nets: 'A.+ B.1+ | A.- B.1-' },
  'loudspeaker-four-pole': { source: ROW(15), nets: 'A.1+ B.1+ | A.1- B.1- | A.2+ C.1+ | A.2- C.1-' },
  'loudspeaker-bridged': { source: ROW(15), nets: 'A.1+ B.+ | A.2+ B.-' },
  'record-player-separate-earth': {
    source: ROW(16),
    nets: 'A.L+ B.C | A.L- B.K B.shell | A.R+ C.C | A.R- C.K C.shell',
  },
  'record-player-unified': {
    source: ROW(16),
    nets: 'A.L+ B.C | A.R+ C.C | A.L- A.R- B.K B.shell C.K C.shell',
  },
  'tell-tale': {
    source: 'handbook section 12, phantom tell-tale',
    nets: '',
    parts:
      'R1 resistor 4700 a=A.2 b=~hot; D1 led 2 anode=~hot cathode=A.1; R2 resistor 4700 a=A.3 b=~cold; D2 led 2 anode=~cold cathode=A.1; D3 diode 0.6 anode=A.1 cathode=~hot; D4 diode 0.6 anode=A.1 cathode=~cold',
  },
  'shorting-plug': {
    source: 'handbook section 10, all the others joined together',
    nets: 'A.1 A.2 A.3',
  },
  'tell-tale-unguarded': {
    source: 'handbook section 12, phantom tell-tale',
    nets: '',
    parts:
      'R1 resistor 4700 a=A.2 b=~hot; D1 led 2 anode=~hot cathode=A.1; R2 resistor 4700 a=A.3 b=~cold; D2 led 2 anode=~cold cathode=A.1',
  },
  'test-tail': { source: 'handbook section 12, test tail', nets: STRAIGHT },
  'volume-box': {
    source: 'handbook section 12, volume box',
    nets: 'A.S B.S',
    parts:
      'RV1 potentiometer 100 left.cw=A.T left.wiper=B.T left.ccw=A.S right.cw=A.R right.wiper=B.R right.ccw=A.S',
  },
  'continuity-lamp': {
    source: 'handbook section 12, continuity lamp',
    nets: 'A.1 B.+ | A.2 B.-',
    parts: 'BT1 battery 3 pos=A.1 neg=~inside; LA1 lamp 15 a=~inside b=A.2',
  },
  'headphone-unidentified': { source: 'handbook section 12, detachable headphone lead', nets: 'A.S A.shell' },
  'headphone-identified': {
    source: 'handbook section 12, detachable headphone lead',
    nets: 'A.T B.L+ | A.R B.R+ | A.S A.shell B.L- B.R-',
  },
  'headphone-socket': {
    source: 'handbook section 5, row 17, headphone socket; section 12, detachable headphone lead',
    nets: 'A.T B.L+ | A.R B.R+ | A.S A.shell B.L- B.R-',
  },
  'three-strand-open': { source: ROW(4), nets: 'A.C B.C | A.K A.shell B.K B.shell' },
  'three-strand-drained': {
    source: `${ROW(4)}, and section 15: drained at one to a chassis point by a ring terminal, never to the collar`,
    nets: 'A.C B.C | A.K A.shell B.K B.shell',
  },
  'vehicle-braid': {
    source: `${ROW(4)}, and section 15: drained at the source’s chassis`,
    nets: 'A.C B.C | A.K A.shell B.K B.shell',
  },
  'twisted-pair-line': {
    source: 'handbook section 4, twisted pair',
    nets: 'A.T B.T | A.R B.R | A.S A.shell | B.S B.shell',
  },
  'patch-lead': { source: ROW(1), nets: 'A.T B.T | A.R B.R | A.S A.shell B.S B.shell' },
  'patch-field-to-xlr': { source: ROW(1), nets: 'A.1 B.S B.shell | A.2 B.T | A.3 B.R' },
  'intercom-extension': {
    source: 'handbook section 3, 4-contact XLR',
    nets: 'A.1 B.1 | A.2 B.2 | A.3 B.3 | A.4 B.4',
  },
  'control-data': { source: 'handbook section 3, DIN control data', nets: 'A.4 B.4 | A.5 B.5 | A.2 B.2' },
  'camera-microphone': {
    source: 'handbook section 3, 3.5 mm: microphone on tip with supply on ring',
    nets: 'A.T B.T B.R | A.S A.shell B.S B.shell',
  },
  'stereo-into-balanced-anyway': {
    source: 'handbook section 5, sending stereo into a balanced input',
    nets: 'A.T B.2 | A.R B.3 | A.S A.shell B.1',
  },
  'ts-at-trs-output-anyway': { source: ROW(2), nets: 'A.T B.T | A.S A.shell B.S B.shell' },
  'through-the-wall': { source: ROW(1), nets: STRAIGHT },
  'headset-extension': {
    source: 'handbook section 3, TRRS headset',
    nets: 'A.T B.T | A.R1 B.R1 | A.R2 B.R2 | A.S A.shell B.S B.shell',
  },
  'headset-split': {
    source: 'handbook section 3, TRRS headset; the shells of 3.5 mm connectors are their sleeves',
    nets: 'A.T B.T | A.R1 B.R | A.R2 B.S B.shell C.S C.shell | A.S A.shell C.T',
  },
};
