import { several, wanted, type Wanted } from './write';

const LETTERS = 'ABCDEFGHI';
/** A second order that is found: hot, cold, screen of channel n on n, n + 13 and 9 … 13, 22 … 24. Made up, as any equipment’s own is to us. */
const OTHER_D25: Readonly<Record<string, string>> = Object.fromEntries(
  [9, 10, 11, 12, 13, 22, 23, 24].flatMap((screen, n) => [
    [`${n + 1}.hot`, `${n + 1}`],
    [`${n + 1}.cold`, `${n + 14}`],
    [`${n + 1}.screen`, `${screen}`],
  ]),
);

/** Rows 14 to 17 and section 12: pads, loudspeakers, record players, phantom, headphones and tools. */
export const POWER: readonly Wanted[] = [
  // 600 Ω, 20 dB: K = 10; series 600 × 9 ÷ 11 = 491 → 510 Ω, shunt 2 × 600 × 10 ÷ 99 = 121 → 120 Ω (handbook, examples by hand).
  wanted(
    '14',
    'a pad in line in a phono barrel',
    'unbalanced-output/phono',
    'unbalanced-input/phono',
    'A.K B.K',
    {
      form: 'barrel',
      wiring: 'pad',
      choices: { pad: 'matched-t', loss: '20' },
      parts: 'R1 resistor 510 a=A.C b=~mid; R2 resistor 510 a=~mid b=B.C; R3 resistor 120 a=~mid b=B.K',
    },
  ),
  wanted(
    '15',
    'an amplifier on twist-lock',
    'amplifier/twist2',
    'loudspeaker/twist2',
    'A.1+ B.1+ | A.1- B.1-',
  ),
  wanted(
    '15',
    'an amplifier on 4 mm to a 6.35 mm loudspeaker',
    'amplifier/plug4',
    'loudspeaker/ts635',
    'A.+ B.T | A.- B.S',
  ),
  wanted(
    '15',
    'a four-pole twist-lock to a two-pole: 1+ and 1− only',
    'amplifier/twist4',
    'loudspeaker/twist2',
    'A.1+ B.1+ | A.1- B.1-',
  ),
  wanted(
    '15',
    'two ways on one connector',
    'amplifier-two/twist4',
    'loudspeaker-two/twist4',
    'A.1+ B.1+ | A.1- B.1- | A.2+ B.2+ | A.2- B.2-',
  ),
  wanted(
    '15',
    'two loudspeakers in parallel',
    'amplifier/twist2',
    ['loudspeaker/twist2', 'loudspeaker/twist2'],
    'A.1+ B.1+ C.1+ | A.1- B.1- C.1-',
  ),
  wanted(
    '15',
    'a bridged amplifier whose order nobody gave',
    'amplifier-bridged/twist4',
    'loudspeaker/twist2',
    undefined,
    { refused: 'intent.layout' },
  ),
  wanted(
    '15',
    'a bridged amplifier on 1+ and 2+',
    'amplifier-bridged/twist4@bridged-1-2',
    'loudspeaker/twist2',
    'A.1+ B.1+ | A.2+ B.1-',
  ),
  wanted(
    '15',
    'a bridged amplifier whose sleeve would be live',
    'amplifier-bridged/twist4@bridged-1-2',
    'loudspeaker/ts635',
    'A.1+ B.T | A.2+ B.S',
    { against: ['bridged-ground stop'] },
  ),
  wanted(
    '15',
    'a loudspeaker line that goes on: an extension',
    'loudspeaker-line-end/twist2',
    'loudspeaker-line-end/twist2!plug',
    'A.1+ B.1+ | A.1- B.1-',
    { metres: 10 },
  ),
  wanted(
    '15',
    'forty metres to 8 Ω in thin copper',
    'amplifier/twist2',
    'loudspeaker/twist2',
    'A.1+ B.1+ | A.1- B.1-',
    { metres: 40, cable: 'loudspeaker-2x1-5', against: ['loudspeaker-loss caution'] },
  ),
  wanted(
    '15',
    'an amplifier into a line input with nothing between',
    'amplifier/plug4',
    'line-input/xlr3',
    undefined,
    { refused: 'wiring.none' },
  ),
  wanted('15', 'a line output into a loudspeaker', 'line-transformer/xlr3', 'loudspeaker/plug4', undefined, {
    refused: 'wiring.none',
  }),
  wanted(
    '16',
    'a record player with an earth wire of its own',
    'record-player/cartridge-pads',
    ['record-player-input/phono:left', 'record-player-input/phono:right'],
    'A.L+ B.C | A.L- B.K | A.R+ C.C | A.R- C.K',
    { surroundings: 'studio', metres: 1.2, schools: { 'record-player-earth': 'separate' } },
  ),
  wanted(
    '16',
    'a record player with its returns joined inside',
    'record-player/cartridge-pads',
    ['record-player-input/phono:left', 'record-player-input/phono:right'],
    'A.L+ B.C | A.R+ C.C | A.L- A.R- B.K C.K',
    { surroundings: 'studio', metres: 1.2, schools: { 'record-player-earth': 'unified' } },
  ),
  wanted('17', 'a tell-tale for P48', [], 'microphone-input-phantom/xlr3', '', {
    form: 'plug',
    parts:
      'R1 resistor 4700 a=A.2 b=~hot; D1 led 2 anode=~hot cathode=A.1; R2 resistor 4700 a=A.3 b=~cold; D2 led 2 anode=~cold cathode=A.1; D3 diode 0.6 anode=A.1 cathode=~hot; D4 diode 0.6 anode=A.1 cathode=~cold',
  }),
  wanted(
    'section 12',
    'a test tail with one pin that carries nothing',
    { port: 'microphone', family: 'tail-pin', pinout: { hot: '4', cold: '2', screen: '1', unused1: '3' } },
    'microphone-input/xlr3',
    'A.4 B.2 | A.2 B.3 | A.1 B.1',
    { metres: 0.8 },
  ),
  wanted(
    'section 16',
    'a test tail whose shell has a tail of its own',
    {
      port: 'microphone',
      family: 'tail-pin',
      pinout: { hot: '2', cold: '3', screen: '1', shell: 'case' },
    },
    'microphone-input/xlr3',
    'A.2 B.2 | A.3 B.3 | A.1 B.1 | A.case B.shell',
    { metres: 0.8 },
  ),
  wanted(
    'section 16',
    'the same in a cable with no core left for it',
    {
      port: 'microphone',
      family: 'tail-pin',
      pinout: { hot: '2', cold: '3', screen: '1', shell: 'case' },
    },
    'microphone-input/xlr3',
    undefined,
    { metres: 0.8, cable: 'hook-up-3', refused: 'wiring.too-few-cores' },
  ),
  wanted('section 12', 'a volume box', 'headphone-output/trs635', 'headphones/trs635', 'A.S B.S', {
    form: 'box',
    parts:
      'RV1 potentiometer = left.cw=A.T left.wiper=B.T left.ccw=A.S right.cw=A.R right.wiper=B.R right.ccw=A.S',
  }),
  wanted(
    '3',
    'an intercom extension',
    'intercom-station/xlr4',
    'intercom-headset/xlr4',
    'A.1 B.1 | A.2 B.2 | A.3 B.3 | A.4 B.4',
  ),
  wanted(
    '3',
    'control data: 4 to 4, 5 to 5, screen 2',
    'data-port/din5-data',
    'data-port/din5-data',
    'A.2 B.2 | A.4 B.4 | A.5 B.5',
  ),
  wanted(
    '3',
    'a headset extension, common on ring 2 at both ends',
    'headset-socket/trrs35@headset-common-r2',
    'headset/trrs35@headset-common-r2!socket',
    'A.T B.T | A.R1 B.R1 | A.R2 B.R2 | A.S B.S',
  ),
  wanted(
    '3',
    'a headset of the other order: common and microphone change places',
    'headset-socket/trrs35@headset-common-r2',
    'headset/trrs35@headset-common-s!socket',
    'A.T B.T | A.R1 B.R1 | A.R2 B.S | A.S B.R2',
  ),
  wanted(
    '3',
    'a headset’s one plug into a computer’s two sockets: the microphone goes the other way',
    ['headphone-output/trs35', 'camera-input/ts35'],
    'headset/trrs35@headset-common-r2!socket',
    'A.T C.T | A.R C.R1 | A.S B.S C.R2 | B.T C.S',
    { metres: 0.3 },
  ),
  wanted(
    '3',
    'a headset socket to two line inputs and a microphone, each by its name',
    'headset-socket/trrs35@headset-common-r2',
    [
      { port: 'unbalanced-input', family: 'ts635', channel: 'left' },
      { port: 'unbalanced-input', family: 'ts635', channel: 'right' },
      { port: 'microphone-plug-in', family: 'ts35', gender: 'socket' },
    ],
    'A.T B.T | A.R1 C.T | A.R2 B.S C.S D.S | A.S D.T',
  ),
  wanted(
    '3',
    'a 25-way D in another order than AES59: the equipment’s own, typed in',
    { port: 'line-eight', family: 'd25', pinout: OTHER_D25 },
    several(8, 'line-input/xlr3'),
    Object.entries(OTHER_D25)
      .map(([key, contact]) => {
        const [channel = '', role = ''] = key.split('.');
        return `A.${contact} ${LETTERS[Number(channel)]}.${role === 'hot' ? 2 : role === 'cold' ? 3 : 1}`;
      })
      .join(' | '),
    { surroundings: 'rack' },
  ),
  wanted(
    'section 12',
    'a continuity lamp with an LED on three cells',
    'battery-lamp/switch-pads',
    'lead-under-test/probes',
    'A.1 B.+ | A.2 B.-',
    {
      metres: 1,
      choices: { lamp: 'led' },
      // (4.5 − 3) ÷ 10 mA = 150 Ω; through 470 Ω more it still has (4.5 − 3) ÷ 620 = 2.4 mA (handbook, section 15: 3 mA).
      parts:
        'BT1 battery 4.5 pos=A.1 neg=~cells; R1 resistor 150 a=~led b=~cells; LA1 led 3 anode=A.2 cathode=~led',
    },
  ),
  wanted(
    'section 15',
    'a continuity lamp whose LED has no resistor: one is put in',
    'battery-lamp/switch-pads',
    'lead-under-test/probes',
    'A.1 B.+ | A.2 B.-',
    {
      metres: 1,
      choices: { lamp: 'led-bare' },
      parts:
        'BT1 battery 4.5 pos=A.1 neg=~cells; R1 resistor 150 a=~led b=~cells; LA1 led 3 anode=A.2 cathode=~led',
    },
  ),
  wanted(
    'section 15',
    'a braid in a vehicle, drained to the source’s chassis and never to the collar',
    'unbalanced-output/phono',
    'unbalanced-input/phono',
    'A.C B.C | A.K B.K',
    { cable: 'braid-3', surroundings: 'vehicle', schools: { 'third-strand': 'source' } },
  ),
];
