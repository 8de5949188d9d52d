import { cableOf, conductorsOf, conductorTerminal, sayConductor, spanById } from '../assembly';
import { sayWires, strips, type Strip } from '../cutting';
import { gaugeOf, type Picture } from '../drawing';
import { schoolsOf, type Lead } from '../lead';
import { formatLength } from '../quantity';
import { lengthSystem } from '../wiring';

/** The stripped end of a cable, at true length, with what is done there in words. */
export interface StrippedEnd {
  readonly strip: Strip;
  readonly picture: Picture;
  /** What comes off, as a heading. */
  readonly says: string;
  /** Each kind of wire, in a line. */
  readonly wires: readonly string[];
}

const FREED: Readonly<Record<Strip['jacket'], (long: string) => string>> = {
  off: (long) => `${long} of jacket off`,
  parted: (long) => `${long} of the leg free`,
  none: (long) => `${long} of each wire free`,
};
/** A gauge has no more rows than a hand tells apart: of many pairs alike the first is drawn. */
const MOST_ROWS = 10;

/** Every end of a lead’s cables as it is stripped; of a cable of many pairs one pair stands for those alike. */
export function strippedEnds(lead: Lead): readonly StrippedEnd[] {
  const { assembly } = lead;
  const schools = schoolsOf(lead);
  const system = lengthSystem(schools);
  return strips(assembly, schools).flatMap((strip) => {
    const span = spanById(assembly, strip.span);
    const cable = span && cableOf(assembly, span);
    if (!span || !cable) return [];
    const conductors = new Map(conductorsOf(assembly, span).map((each) => [each.id, each]));
    const shown =
      strip.conductors.length > MOST_ROWS
        ? strip.conductors.filter(({ id }) => conductors.get(id)?.pair === [...conductors.values()][0]?.pair)
        : strip.conductors;
    const several =
      assembly.spans.filter(({ from, to }) => from === strip.body || to === strip.body).length > 1;
    return [
      {
        strip,
        says: `End ${strip.end}${several ? `, ${strip.span}` : ''}: ${FREED[strip.jacket](formatLength(strip.jacketMm, system))}`,
        wires: sayWires(assembly, strip, system),
        picture: gaugeOf({
          span: strip.span,
          body: strip.body,
          freeMm: strip.jacketMm,
          jacketMm: strip.jacket === 'off' ? (cable.jacketMm ?? 6) : 3,
          jacketColour: cable.jacketColour ?? 'GY',
          wires: shown.map(({ id, mm, bareMm }) => ({
            id,
            says: sayConductor(assembly, conductorTerminal(strip.span, id, strip.body)),
            colour: conductors.get(id)?.colour ?? 'CU',
            mm,
            bareMm,
          })),
        }),
      },
    ];
  });
}
