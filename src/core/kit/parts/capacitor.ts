import { partWords } from './words';

const say = (farads: number): string =>
  farads >= 1e-6
    ? `${Number((farads * 1e6).toPrecision(3))} µF`
    : `${Number((farads * 1e9).toPrecision(3))} nF`;

export const capacitor = partWords({
  kind: 'capacitor',
  name: 'capacitor',
  value: (part) => (part.farads === undefined ? '' : say(part.farads)),
});
