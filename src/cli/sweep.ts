import { plugSchema, truthOf, USUAL_PLUG } from '../core/sweep';
import { readShape } from '../core/quantity';
import { print, unwrap } from './files';
import { bad, options } from './options';

const numberOf = (text: string | undefined, name: string): number | undefined => {
  if (text === undefined) return undefined;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value))
    throw bad('cli.option', `--${name} wants a number.`, name);
  return value;
};

/** A tell-tale and a supply → what each look at a line may mean: every fault of a line solved, with lamps and with a meter on it. */
export function sweep(first: string | undefined, ...more: readonly string[]): number {
  const words = first === undefined ? [] : [first, ...more];
  const { supply, ohms, forward, guard } = options(words, ['supply', 'ohms', 'forward', 'guard']);
  if (guard !== undefined && guard !== 'yes' && guard !== 'no')
    throw bad('cli.option', '--guard wants yes or no.', 'guard');
  const plug = {
    supply: supply ?? USUAL_PLUG.supply,
    ohms: numberOf(ohms, 'ohms') ?? USUAL_PLUG.ohms,
    forward: numberOf(forward, 'forward') ?? USUAL_PLUG.forward,
    guard: guard === undefined ? USUAL_PLUG.guard : guard === 'yes',
  };
  print({ version: 1, ...truthOf(unwrap(readShape(plugSchema, plug))) });
  return 0;
}
