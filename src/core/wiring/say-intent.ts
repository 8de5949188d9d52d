import { familyName, isTail, portById, TAILS } from '../catalogue';
import { asTyped } from '../quantity';
import { SURROUNDINGS } from '../situation';
import { amongOf } from './ask-end';
import { FORMS, type Intent, type IntentEnd } from './intent';
import { resolveSchools } from './schools';
import { lengthSystem } from './words';

/** An intent in one short line: “moving coil microphone on XLR → … , 6 m, on a stage floor”. */
export function sayIntent(intent: Intent | undefined): string {
  if (!intent) return 'described from what is in the hand';
  const { connectors } = amongOf(intent.own);
  // A port’s name that ends in “on” itself is set apart from “on XLR”.
  const one = ({ port, family }: IntentEnd): string =>
    `${(portById(port)?.name ?? port).replace(/ on$/, ' on,')} on ${isTail(family) ? TAILS[family].name : familyName(family, connectors)}`;
  const several = (ends: readonly IntentEnd[]): string => {
    const said = ends.map(one);
    return [...new Set(said)]
      .map((each) => {
        const count = said.filter((other) => other === each).length;
        return count === 1 ? each : `${count} × ${each}`;
      })
      .join(' and ');
  };
  const ends = [several(intent.from), several(intent.to)].filter(Boolean).join(' → ');
  const form = intent.form ?? 'lead';
  const length =
    form === 'lead' && intent.length
      ? asTyped(intent.length, lengthSystem(resolveSchools(intent.schools)))
      : FORMS[form];
  return `${ends}, ${length}, ${SURROUNDINGS[intent.surroundings]}`;
}
