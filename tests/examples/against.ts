import type { Severity } from '../../src/core/findings';

/** A finding that stands against an example, in its words, and why it is right that it does. */
export interface Against {
  readonly lead: string;
  readonly severity: Severity;
  readonly rule: string;
  readonly says: string;
  readonly why: string;
}

const hum = (lead: string, decibels: string, why: string): Against => ({
  lead,
  severity: 'note',
  rule: 'hum-level',
  says: `With 10 mV between the grounds of the two ends it hums ${decibels} dB under the signal.`,
  why,
});
const abreast = (lead: string, says: string, why: string): Against => ({
  lead,
  severity: 'caution',
  rule: 'cables-abreast',
  says,
  why,
});
/** What the entry of a lead’s cable says to look out for. */
const watch = (lead: string, says: string): Against => ({
  lead,
  severity: 'note',
  rule: 'cable-watch',
  says,
  why: 'The entry of its cable says so, and whoever strips it has to know.',
});
const SCREEN_RETURN =
  'Unbalanced at both ends and both on mains earth: the ground current’s drop along the return is in the signal.';
const FOIL =
  'The only multipair of so many pairs here has foil; the demo troupe lays it on a stage floor all the same.';

/** All that is said against the examples, to be read from top to bottom. What is not here has nothing against it. */
export const AGAINST: readonly Against[] = [
  {
    lead: 'four-way-multipair',
    severity: 'caution',
    rule: 'foil-on-stage',
    says: 'Multipair, 4 pairs, each with foil and drain has a foil screen, and this lead is for the stage floor.',
    why: FOIL,
  },
  abreast(
    'insert-ring-send',
    '2 cables of 6 mm side by side are 12 mm; the connector at end A takes 7 mm.',
    'Send and return each in its own cable, both into one TRS plug: its boot closes over one.',
  ),
  hum('insert-ring-send', '37.7', SCREEN_RETURN),
  abreast(
    'insert-tip-send',
    '2 cables of 6 mm side by side are 12 mm; the connector at end A takes 7 mm.',
    'As for the other order of the insert.',
  ),
  hum('insert-tip-send', '37.7', SCREEN_RETURN),
  {
    lead: 'intercom-extension',
    severity: 'caution',
    rule: 'foil-on-stage',
    says: 'Multipair, 2 pairs, each with foil and drain has a foil screen, and this lead is for the stage floor.',
    why: FOIL,
  },
  hum('pad-unbalanced-l', '35.4', 'The pad takes the signal down by 10 dB, and the hum of the return stays.'),
  hum('pad-unbalanced-t', '28.4', 'The pad takes the signal down by 20 dB, and the hum of the return stays.'),
  hum('phono-with-both-cores', '37.9', SCREEN_RETURN),
  hum(
    'quasi-balanced-phono',
    '34.6',
    'The return is one thin core: about 10 dB more hum than the braid would give (handbook, section 5, row 4).',
  ),
  {
    lead: 'stereo-into-balanced-anyway',
    severity: 'caution',
    rule: 'overruled',
    says: 'Done anyway: A balanced input takes the difference of its two legs: left minus right. Whatever is the same in both channels, such as a voice in the middle, cancels. Use a sum with resistors.',
    why: 'Refused, and overruled by the builder: it stays said.',
  },
  {
    lead: 'stereo-microphone-fan-out',
    severity: 'caution',
    rule: 'foil-on-stage',
    says: 'Multipair, 2 pairs, each with foil and drain has a foil screen, and this lead is for the stage floor.',
    why: FOIL,
  },
  abreast(
    'stereo-to-two-ts',
    '2 cables of 6 mm side by side are 12 mm; the connector at end A takes 7 mm.',
    'Two instrument cables into one TRS plug.',
  ),
  hum('stereo-to-two-ts', '39.2', SCREEN_RETURN),
  {
    lead: 'tell-tale-unguarded',
    severity: 'caution',
    rule: 'lamps',
    says: 'A lamp may get 48 V the wrong way round.',
    why: 'Built without guard diodes: a transposed contact 1 stands on a lamp backward, which is rated about 5 V (handbook, section 12).',
  },
  hum('three-strand-drained', '31.8', 'The return of a braid is one strand.'),
  hum('three-strand-open', '31.8', 'The return of a braid is one strand.'),
  {
    lead: 'ts-at-trs-output-anyway',
    severity: 'caution',
    rule: 'overruled',
    says: 'Done anyway: A TS plug in the TRS socket of a balanced output shorts its cold leg to ground; this output stands it. Use a TRS plug, and settle the cold leg in the wiring.',
    why: 'Refused, and overruled by the builder: it stays said.',
  },
  abreast(
    'two-loudspeakers-parallel',
    '2 cables of 8 mm side by side are 16 mm; the connector at end A takes 8 mm.',
    'Two loudspeaker cables onto one pair of 4 mm plugs.',
  ),
  hum('two-phono-sum', '35.9', 'The sum takes 6 dB, and the hum of the returns stays.'),
  watch(
    'balanced-trs-to-phono-impedance',
    'Microphone cable, one pair, spiral screen: The cover opens when it is bent hard.',
  ),
  watch('camera-microphone', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch('chain-split', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch('control-data', 'Microphone cable, one pair, spiral screen: The cover opens when it is bent hard.'),
  watch(
    'd25-to-d25',
    'Multipair, 8 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch(
    'd25-to-eight-xlr',
    'Multipair, 8 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch(
    'eight-xlr-to-d25',
    'Multipair, 8 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch(
    'four-way-multipair',
    'Multipair, 4 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch(
    'headphone-cord',
    'Headphone cable, four lacquered litz strands: Burn the lacquer off in a blob of solder before tinning; don’t breathe the fumes.',
  ),
  watch(
    'headphone-identified',
    'Headphone cable, four lacquered litz strands: Burn the lacquer off in a blob of solder before tinning; don’t breathe the fumes.',
  ),
  watch(
    'headphone-socket',
    'Headphone cable, four lacquered litz strands: Burn the lacquer off in a blob of solder before tinning; don’t breathe the fumes.',
  ),
  watch(
    'headphone-unidentified',
    'Headphone cable, four lacquered litz strands: Burn the lacquer off in a blob of solder before tinning; don’t breathe the fumes.',
  ),
  watch('headset-extension', 'Four thin cores in one spiral screen: Core insulation melts quickly.'),
  watch('headset-split', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'insert-ring-send',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  watch(
    'insert-tip-send',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  watch(
    'instrument-lead',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  {
    lead: 'intercom-extension',
    severity: 'note',
    rule: 'dc-on-four',
    says: 'Ends A and B are 4-contact XLR, which also carries supplies of 12 V and more: mark what it is for.',
    why: 'A headset on 4-contact XLR beside a camera’s supply: what is on it has to be written on it.',
  },
  watch(
    'intercom-extension',
    'Multipair, 2 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch('line-to-both-channels', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  {
    lead: 'line-to-tinned-tail',
    severity: 'note',
    rule: 'solder-under-screw',
    says: 'End B is tinned: it is for soldering, and not for a screw.',
    why: 'What it is joined to on site nobody knows here, and most hard-wired inputs are on screws.',
  },
  {
    lead: 'two-way-split',
    severity: 'note',
    rule: 'ground-loop',
    says: 'The screen makes the grounds of B and C one: where they stand on mains earth it is a loop.',
    why: 'Contact 1 goes through to both inputs, and each is a desk on the mains.',
  },
  {
    lead: 'line-to-screw-terminal',
    severity: 'note',
    rule: 'cable-place',
    says: 'Rack cable, one pair, foil and drain in a wall: local code asks for a fire rating in most places, and decides.',
    why: 'This run is in a wall, in cable without a rating.',
  },
  watch(
    'line-xlr-to-trs',
    'Microphone cable, one pair, spiral screen: The cover opens when it is bent hard.',
  ),
  {
    lead: 'loudspeaker-bridged',
    severity: 'note',
    rule: 'local-code',
    says: 'The bridged power amplifier output may carry a dangerous voltage: local code and licensed people decide about this run.',
    why: 'Both legs of a bridged output are live.',
  },
  watch('microphone-to-recorder', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'pad-unbalanced-l',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  watch('patch-lead', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'phono-with-both-cores',
    'Microphone cable, one pair, spiral screen: The cover opens when it is bent hard.',
  ),
  watch(
    'quasi-balanced-phono',
    'Microphone cable, one pair, spiral screen: The cover opens when it is bent hard.',
  ),
  watch(
    'record-player-separate-earth',
    'Twin miniature, two screened cores side by side: Core insulation melts quickly.',
  ),
  watch(
    'record-player-unified',
    'Twin miniature, two screened cores side by side: Core insulation melts quickly.',
  ),
  watch('stereo-35-to-35', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch('stereo-into-balanced-anyway', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'stereo-microphone-fan-out',
    'Multipair, 2 pairs, each with foil and drain: Strength string and overall jacket: sleeve the break-out point.',
  ),
  watch('stereo-sum', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'stereo-to-two-phono',
    'Twin miniature, two screened cores side by side: Core insulation melts quickly.',
  ),
  watch(
    'stereo-to-two-ts',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  watch('vehicle-braid', 'Hand braid of three hook-up wires: Not as good as coax against magnetic pickup.'),
  {
    lead: 'vehicle-braid',
    severity: 'note',
    rule: 'hum-level',
    says: 'With 10 mV between the grounds of the two ends the alternator whines about 32.2 dB under the signal.',
    why: 'A second core of 84 mΩ/m is the return, and both devices stand on the vehicle’s chassis (handbook section 11: V = I·R).',
  },
  watch('headphone-y', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch('two-microphones-to-recorder', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  {
    lead: 'microphone-to-recorder',
    severity: 'note',
    rule: 'cold-leg',
    says: 'The cold leg meets ground at the source, not at the far end at end A, balanced microphone, moving coil.',
    why: 'Both cores are hot, so that no link has to be made in the small plug (handbook section 15): the screen is the way back.',
  },
  watch('tablet-to-two-loudspeakers', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch(
    'three-strand-drained',
    'Hand braid of three hook-up wires: Not as good as coax against magnetic pickup.',
  ),
  watch(
    'three-strand-open',
    'Hand braid of three hook-up wires: Not as good as coax against magnetic pickup.',
  ),
  {
    lead: 'through-the-wall',
    severity: 'note',
    rule: 'cable-place',
    says: 'Rack cable, one pair, foil and drain in a wall: local code asks for a fire rating in most places, and decides.',
    why: 'This run is in a wall, in cable without a rating.',
  },
  watch(
    'ts-at-trs-output-anyway',
    'Instrument cable, one core, low capacitance has a black conductive layer over its core: peel it back past the screen.',
  ),
  watch(
    'twisted-pair-line',
    'Twisted pair, unscreened: No screen against an electric field: short line runs only.',
  ),
  watch('two-phono-sum', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
  watch('two-way-split', 'Miniature pair, spiral screen: Core insulation melts quickly.'),
];
