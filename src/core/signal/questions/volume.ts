import { magnitudes, transfer, wiped, type Circuit, type Taper } from '../../circuit';
import { good } from '../../quantity';
import { circuitOf, decibels, figure, R, sayDb, sayOhms, sound, V } from '../figures';
import type { Question } from '../types';
import { CONTROL_TRACKS, suitingTrack } from '../volume';

const controlled = (source: number, track: number, load: number, turn: number, taper: Taper): Circuit =>
  circuitOf(
    V('1', 'emf', '0'),
    R('source', 'emf', 'top', source),
    { kind: 'potentiometer', id: 'Rtrack', a: 'top', wiper: 'out', b: '0', ohms: track, turn, taper },
    R('load', 'out', '0', load),
  );

const at = (circuit: Circuit): number =>
  decibels(magnitudes(sound(transfer(circuit, 'V1', ['out', '0'], [1000])))[0] ?? 0);

/** Loss of a volume control against its rotation, and which value suits. */
export const volume: Question = {
  id: 'volume',
  name: 'Volume control',
  sentence:
    'A {taper} control of {track} between a source of {source} and headphones of {load}; its halves differ by {tracking}.',
  slots: [
    {
      id: 'taper',
      kind: 'choice',
      name: 'Taper',
      options: { logarithmic: 'logarithmic', linear: 'linear' },
      usual: 'logarithmic',
    },
    { id: 'track', kind: 'number', name: 'Track', unit: 'Ω', usual: 100, min: 1, max: 1e6 },
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 10, min: 0, max: 10_000 },
    { id: 'load', kind: 'number', name: 'Headphones', unit: 'Ω', usual: 32, min: 4, max: 100_000 },
    { id: 'tracking', kind: 'number', name: 'Tracking', unit: '%', usual: 20, min: 0, max: 50 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number, choice }) {
    const taper = choice('taper') as Taper;
    const [track, source, load] = [number('track'), number('source'), number('load')];
    const turns = Array.from({ length: 41 }, (_, n) => n / 40);
    const loss = (turn: number, kind: Taper = taper, ohms = track): number =>
      at(controlled(source, ohms, load, turn, kind));
    const full = loss(1);
    const half = loss(0.5);
    // What the headphones hang on: the more of it, the more their own resonance bends the bass.
    const seenAt = (ohms: number): number => {
      const low = wiped(0.5, taper) * ohms;
      const high = ohms - low;
      return 1 / (1 / low + 1 / (high + source));
    };
    const bend = (ohms: number): number => {
      const hang = seenAt(ohms);
      // A resonance of three times the nominal impedance is usual (from memory).
      return decibels((3 * load) / (3 * load + hang)) - decibels(load / (load + hang));
    };
    // Two halves of one control, each off by half of the tracking error, at a quarter turn.
    const spread = number('tracking') / 200;
    const mistrack = Math.abs(
      at(controlled(source, track * (1 + spread), load, 0.25 * (1 + spread), taper)) -
        at(controlled(source, track * (1 - spread), load, 0.25 * (1 - spread), taper)),
    );
    const suits = suitingTrack(load);
    const inputs = [
      ['track', `${sayOhms(track)}, ${taper}`],
      ['source', sayOhms(source)],
      ['headphones', sayOhms(load)],
    ] as const;
    const loads = source + 1 / (1 / track + 1 / load);
    return good({
      says: `Turned up it takes ${sayDb(-full)}, at half turn ${sayDb(-half)}; about ${sayOhms(suits)} suits these headphones${suits === track ? ', as this is' : ''}.`,
      weight: full < -6 || bend(track) > 4 ? 'caution' : 'good',
      figures: [
        figure(
          'full',
          'loss turned up',
          -full,
          'dB',
          sayDb(full),
          'the track and the headphones beside each other, against the source',
          inputs,
          'by the circuit',
        ),
        figure(
          'half',
          'loss at half turn',
          -half,
          'dB',
          sayDb(half),
          `${Math.round(100 * wiped(0.5, taper))} % of the track below the wiper`,
          inputs,
          'by the circuit; taper common practice',
        ),
        figure(
          'bend',
          'bass changed at half turn',
          bend(track),
          'dB',
          sayDb(bend(track)),
          'more level where the headphones’ resonance has three times their impedance',
          inputs,
          'by the circuit; resonance from memory',
        ),
        figure(
          'mistrack',
          'left against right at a quarter turn (channel balance)',
          mistrack,
          'dB',
          sayDb(mistrack),
          'two halves that differ by the tracking',
          [...inputs, ['tracking', `${number('tracking')} %`]],
          'by the circuit',
        ),
        figure(
          'suits',
          'value that suits',
          suits,
          'Ω',
          sayOhms(suits),
          'the smallest of at least three times the headphones',
          inputs,
          'common practice',
        ),
        figure(
          'loads',
          'what the source sees',
          loads,
          'Ω',
          sayOhms(loads),
          'source + track ∥ headphones',
          inputs,
          'by the circuit',
        ),
      ],
      chart: {
        name: 'Loss against rotation',
        x: { name: 'turn', unit: '%', scale: 'linear' },
        y: { name: 'level', unit: 'dB', scale: 'linear' },
        series: (['logarithmic', 'linear'] as const).map((kind) => ({
          name: kind,
          points: turns.slice(1).map((turn) => [100 * turn, loss(turn, kind)] as const),
        })),
      },
      table: {
        name: 'Other values',
        head: ['track', 'turned up', 'half turn', 'bass changed'],
        rows: CONTROL_TRACKS.slice(0, 9).map((ohms) => [
          sayOhms(ohms),
          sayDb(loss(1, taper, ohms)),
          sayDb(loss(0.5, taper, ohms)),
          sayDb(bend(ohms)),
        ]),
      },
      circuit: controlled(source, track, load, 0.5, taper),
      notes: ['A control can only turn down. Tracking of cheap dual controls is 20 % (from memory).'],
    });
  },
};
