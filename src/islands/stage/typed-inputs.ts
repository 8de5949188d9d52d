import { INPUTS_VERSION, type InputList } from '../../core/sweep';
import { newId } from '../kept';

/** An input as it is typed. */
export interface TypedInput {
  readonly key: string;
  readonly name: string;
  readonly way: string;
  readonly port: string;
  readonly phantom: string;
  readonly weight: string;
  readonly pair: string;
}
export interface Typed {
  readonly inputs: TypedInput[];
  readonly move: string;
  readonly onUnknown: string;
  readonly pairApart: string;
}
/** An input of which nothing is typed yet. */
export const blank = (more: Partial<TypedInput> = {}): TypedInput => ({
  key: newId(),
  name: '',
  way: '',
  port: '',
  phantom: '',
  weight: '3',
  pair: '',
  ...more,
});

/** A list as it is typed. */
export const typedOf = ({ inputs, costs }: InputList): Typed => ({
  inputs: inputs.map(({ id, name, way, port, phantom, weight, pair }) => ({
    key: id,
    name,
    way: way === undefined ? '' : String(way),
    port: port ?? '',
    phantom: phantom ?? '',
    weight: String(weight),
    pair: pair ?? '',
  })),
  move: String(costs.move),
  onUnknown: String(costs.onUnknown),
  pairApart: String(costs.pairApart),
});

/** A number as it is typed; what is none goes as it is, and is refused at its place. */
const numberOf = (text: string): number | string => {
  const value = Number(text.trim().replace(',', '.') || NaN);
  return Number.isFinite(value) ? value : text;
};
/** The list as its document; what was typed and is none stays what it is, and is refused at its place. */
export const documentOf = ({ inputs, move, onUnknown, pairApart }: Typed): object => ({
  version: INPUTS_VERSION,
  inputs: inputs
    .filter((each) => `${each.name}${each.way}`.trim() !== '')
    .map(({ key, name, way, port, phantom, weight, pair }) => ({
      id: key,
      name: name.trim(),
      weight: numberOf(weight),
      ...(way.trim() === '' ? {} : { way: numberOf(way) }),
      ...(port === '' ? {} : { port }),
      ...(phantom === '' ? {} : { phantom }),
      ...(pair.trim() === '' ? {} : { pair: pair.trim() }),
    })),
  costs: { move: numberOf(move), onUnknown: numberOf(onUnknown), pairApart: numberOf(pairApart) },
});
