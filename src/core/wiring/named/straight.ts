import { at, IN_XLR, leadOf, leftAndRight, LINE_XLR, SMALL_STEREO, type NamedLead } from './named-lead';

/** Leads from one connector to another, and what they are split and summed with; handbook section 5. */
export const STRAIGHT: readonly NamedLead[] = [
  {
    id: 'microphone',
    name: 'XLR microphone lead',
    also: 'balanced lead, plug socket',
    is: 'a microphone into its input',
    intent: leadOf([at('microphone', 'xlr3')], [at('microphone-input', 'xlr3')], 6),
  },
  {
    id: 'extension',
    name: 'XLR extension lead',
    also: 'socket plug, line that goes on',
    is: 'a balanced line that goes on, contact for contact',
    intent: leadOf(
      [at('line-end', 'xlr3', { gender: 'socket' })],
      [at('line-end', 'xlr3', { gender: 'plug' })],
      6,
    ),
  },
  {
    id: 'trs-patch',
    name: 'Balanced 6.35 TRS patch lead',
    also: 'line lead, 6.35 TRS to 6.35 TRS',
    is: 'a balanced line output into a line input',
    intent: leadOf([at('line-ground-referenced', 'trs635')], [at('line-input', 'trs635')], 1, {
      surroundings: 'studio',
    }),
  },
  {
    id: 'xlr-to-trs',
    name: 'XLR to 6.35 TRS lead',
    also: 'balanced, socket to plug',
    is: 'a balanced line output into a line input',
    intent: leadOf([LINE_XLR], [at('line-input', 'trs635')], 3),
  },
  {
    id: 'trs-to-xlr',
    name: '6.35 TRS to XLR lead',
    also: 'balanced, plug to plug',
    is: 'a balanced line output into a line input',
    intent: leadOf([at('line-ground-referenced', 'trs635')], [IN_XLR], 3),
  },
  {
    id: 'instrument',
    name: 'Instrument lead',
    also: '6.35 TS to 6.35 TS, unbalanced, plug to plug',
    is: 'a passive pickup into an instrument input',
    intent: leadOf([at('instrument', 'ts635')], [at('instrument-input', 'ts635')], 5),
  },
  {
    id: 'unbalanced-to-balanced',
    name: '6.35 TS to XLR lead',
    also: 'unbalanced to balanced, plug to plug',
    is: 'an unbalanced output into a balanced input',
    intent: leadOf([at('unbalanced-output', 'ts635')], [IN_XLR], 3),
  },
  {
    id: 'balanced-to-phono',
    name: 'XLR to phono lead',
    also: 'balanced to unbalanced, socket to plug',
    is: 'a balanced output into an unbalanced input',
    intent: leadOf([LINE_XLR], [at('unbalanced-input', 'phono')], 3, { surroundings: 'rack' }),
  },
  {
    id: 'phono',
    name: 'Phono lead',
    also: 'interconnect, unbalanced, plug to plug',
    is: 'an unbalanced output into an unbalanced input',
    intent: leadOf([at('unbalanced-output', 'phono')], [at('unbalanced-input', 'phono')], 1, {
      surroundings: 'rack',
    }),
  },
  {
    id: 'quasi-balanced',
    name: 'Quasi-balanced phono lead',
    also: 'two-core interconnect',
    is: 'an unbalanced lead whose return has a core of its own',
    intent: leadOf([at('unbalanced-output', 'phono')], [at('unbalanced-input', 'phono')], 1, {
      surroundings: 'rack',
      wiring: 'quasi-balanced',
      cable: 'pair-mini',
    }),
  },
  {
    id: 'stereo',
    name: 'Stereo 3.5 TRS lead',
    also: '3.5 to 3.5, aux lead, plug to plug',
    is: 'a tablet into a stereo input',
    intent: leadOf([SMALL_STEREO], [at('stereo-input', 'trs35')], 2, { surroundings: 'studio' }),
  },
  {
    id: 'stereo-to-phono',
    name: '3.5 TRS to two phono',
    also: 'stereo, aux lead, split',
    is: 'a tablet into two unbalanced inputs',
    intent: leadOf([SMALL_STEREO], leftAndRight(at('unbalanced-input', 'phono')), 2, {
      surroundings: 'studio',
    }),
  },
  {
    id: 'stereo-to-ts',
    name: '3.5 TRS to two 6.35 TS',
    also: 'stereo, split',
    is: 'a tablet into two unbalanced inputs',
    intent: leadOf([SMALL_STEREO], leftAndRight(at('unbalanced-input', 'ts635')), 2, {
      surroundings: 'studio',
    }),
  },
  {
    id: 'stereo-to-xlr',
    name: '3.5 TRS to two XLR',
    also: 'stereo, tablet to loudspeakers, split, plugs',
    is: 'a tablet into two powered loudspeakers',
    intent: leadOf([SMALL_STEREO], leftAndRight(at('powered-loudspeaker', 'xlr3')), 3),
  },
  {
    id: 'sum',
    name: 'Stereo to mono sum lead',
    also: 'tablet to one XLR, 3.5',
    is: 'both channels of a tablet into one balanced input, through resistors',
    intent: leadOf([SMALL_STEREO], [IN_XLR], 3, { wiring: 'sum' }),
  },
  {
    id: 'both',
    name: 'Mono to both channels',
    also: 'XLR to 3.5 TRS',
    is: 'a balanced output into both sides of a stereo input',
    intent: leadOf([LINE_XLR], [at('stereo-input', 'trs35')], 2, { surroundings: 'studio' }),
  },
  {
    id: 'recorder',
    name: 'Microphone to recorder lead',
    also: 'both channels, XLR to 3.5 TRS, blocking capacitor, plug-in power',
    is: 'a balanced microphone into a recorder with plug-in power',
    intent: leadOf([at('microphone', 'xlr3')], [at('recorder-input', 'trs35')], 1),
  },
  {
    id: 'split',
    name: 'Two-way split',
    also: 'XLR, one to two, parallel',
    is: 'one microphone into two inputs, contact to contact',
    intent: leadOf(
      [at('microphone', 'xlr3')],
      [at('microphone-input', 'xlr3'), at('microphone-input', 'xlr3')],
      1,
    ),
  },
  {
    id: 'chain',
    name: 'Chain split',
    also: 'XLR, plug socket plug socket',
    is: 'plug, socket, plug and socket on three lengths, all contacts parallel',
    intent: leadOf(
      [at('line-end', 'xlr3', { gender: 'plug' })],
      [
        at('line-end', 'xlr3', { gender: 'socket' }),
        at('line-end', 'xlr3', { gender: 'plug' }),
        at('line-end', 'xlr3', { gender: 'socket' }),
      ],
      0.5,
    ),
  },
  {
    id: 'headphone-split',
    name: 'Headphone split',
    also: 'stereo, 3.5, one to two',
    is: 'one headphone output into two headphones',
    intent: leadOf(
      [SMALL_STEREO],
      [at('headphones', 'trs35', { gender: 'socket' }), at('headphones', 'trs35', { gender: 'socket' })],
      0.5,
      { surroundings: 'studio' },
    ),
  },
];
