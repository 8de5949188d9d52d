import { logarithmic, noise } from '../../circuit';
import { sourceOhms } from '../../model';
import { DBU_REFERENCE } from '../../quantity';
import { decibels, figure, sayDb, sayOhms, sayVolts } from '../figures';
import type { Figure } from '../types';
import type { Context, SignalLink, FigureKind } from './context';

const BAND = logarithmic(20, 20_000, 60);

/** Thermal noise at an input from all resistance of source, lead and input, and how much of it is the lead's own parts. */
function noiseFigures(context: Context, link: SignalLink, hasParts: boolean): readonly Figure[] {
  const between = context.made.heard.find((each) => each.channel === link.in)?.between;
  if (!between || !hasParts) return [];
  const { elements } = context.made.circuit;
  const whole = noise({ elements }, between, BAND);
  const quiet = noise(
    {
      elements: elements.map((each) =>
        (each.kind === 'resistor' || each.kind === 'potentiometer') && context.made.parts.has(each.id)
          ? { ...each, silent: true }
          : each,
      ),
    },
    between,
    BAND,
  );
  if (!whole.ok || !quiet.ok) return [];
  const [all, rest] = [whole.value.volts, quiet.value.volts];
  const within = link.name === '' ? '' : `, ${link.name}`;
  const inputs = [
    ['band', '20 Hz to 20 kHz'],
    ['source', sayOhms(sourceOhms(link.from))],
  ] as const;
  const source = 'Johnson and Nyquist, 1928; by the circuit';
  return [
    figure(
      ['noise', link],
      `thermal noise at the input${within}`,
      all,
      'V',
      `${sayVolts(all)}, ${sayDb(decibels(all / DBU_REFERENCE), 'u')}`,
      '√(4kT · R · B), each resistor by its own way to the input',
      inputs,
      source,
    ),
    figure(
      ['noisier', link],
      `noisier for the resistors inside${within}`,
      decibels(all / rest),
      'dB',
      sayDb(decibels(all / rest)),
      'noise with the lead’s own resistors ÷ noise without',
      inputs,
      source,
    ),
  ];
}

/** Noise at the first input of a lead that has parts. */
export const noiseAdded: FigureKind = {
  kind: 'noise',
  compute: (context) =>
    context.links.slice(0, 1).flatMap((link) =>
      noiseFigures(
        context,
        link,
        context.assembly.bodies.some((body) => body.parts.length > 0),
      ),
    ),
};
