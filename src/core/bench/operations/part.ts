import {
  byName,
  conductorsOf,
  dressingsAt,
  isOf,
  placeOf,
  sayPlace,
  sideOf,
  spansAt,
  type Assembly,
  type Body,
  type Dressing,
  type End,
  type Span,
} from '../../assembly';
import { partings, strips as stripsOf } from '../../cutting';
import { COLOURS, type TailFinish } from '../../catalogue';
import { capital, formatLength, sayList } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { ToolName } from '../tool-names';
import type { Operation } from '../types';
import { sayDressing, threadedAtSplit } from './dressing';

/** Parting a cable into its legs at each break-out: the jacket comes off, the cores go on uncut. */
export const part = (assembly: Assembly, schools: Schools): readonly Operation[] => {
  const system = lengthSystem(schools);
  const all = partings(assembly);
  return assembly.bodies
    .filter((body) => body.kind === 'breakout')
    .map((body): Operation => {
      const legs = spansAt(assembly, body.id).filter((span) => span.carries);
      const parting = all.find((each) => each.body === body.id);
      const split = threadedAtSplit(assembly, body.id);
      const cut = (leg: string): string => {
        const found = parting?.legs.find(({ span }) => span === leg);
        return found ? `, cut ${formatLength(found.mm, system)}` : '';
      };
      const left = assembly.unjoined
        .filter((each) => sideOf(each.at) === body.id)
        .flatMap((each) => {
          const place = placeOf(assembly, each.at);
          return place?.kind === 'conductor' ? (place.conductor.pair ?? place.conductor.id) : [];
        });
      const unused = [...new Set(left)].sort(byName);
      return {
        id: `part-${body.id}`,
        kind: 'part',
        title: `Take ${formatLength(parting?.jacketMm ?? 0, system)} of jacket off for the ${legs.length} legs`,
        detail: [
          `Part the cable: ${legs.map((leg) => sayLeg(assembly, body, leg) + cut(leg.id)).join('; ')}.`,
          'Measured from the raw end.',
          'The cores go on uncut.',
          ...(unused.length > 0 ? [`Not needed: pair ${unused.join(', ')}; deal with its ends here.`] : []),
        ],
        caution: 'Blade away from the hand.',
        confirm: split.map((each) => sayDressing(each, schools)),
        ...(split.length > 0 ? { dressings: split.map(({ id }) => id) } : {}),
      };
    });
};

/** What goes into a leg, and where that leads: “pair 1 to end B”, “white and screen to end C”. */
function sayLeg(assembly: Assembly, body: Body, leg: Span): string {
  const conductors = conductorsOf(assembly, leg);
  const pairs = [...new Set(conductors.flatMap(({ pair }) => pair ?? []))].sort(byName);
  const names = conductors.map(({ id, is, colour }) =>
    is !== 'core' ? is : colour === '??' ? `strand ${id}` : COLOURS[colour],
  );
  const far = assembly.bodies.find(({ id }) => id === (leg.from === body.id ? leg.to : leg.from));
  const numbered = pairs.length > 0 && pairs.every((pair) => /^\d/.test(pair));
  const what = numbered
    ? `pair${pairs.length > 1 ? 's' : ''} ${sayList(pairs)}`
    : sayList([...new Set(names)]);
  return `${what}${far ? ` to ${sayPlace(far)}` : ''}`;
}

/** Pulling the cable through where one side has to be made on site. */
export const pull = (assembly: Assembly): readonly Operation[] => {
  const site = assembly.bodies.flatMap((body) => body.ends.filter((end) => end.madeOn === 'site'));
  return site.length === 0
    ? []
    : [
        {
          id: 'pull',
          kind: 'pull',
          title: `Pull the cable through, then make end ${site.map((end) => end.id).join(', ')} there`,
          detail: [
            'Tape the bare end to the draw wire; protect the finished end.',
            'Take all of that end’s connector, and what is threaded on before it, to the site with you.',
          ],
          caution: 'In walls: fire rating and local code; no drilling where mains may run.',
        },
      ];
};

const FINISHED: Readonly<Record<TailFinish, string>> = {
  bare: 'Twist the strands and leave them bare: tinned, they work loose under a screw.',
  tinned:
    'Twist and tin each, just enough. It is for soldering: under a screw solder creeps, and the contact loosens.',
  spade:
    'Crimp a spade of the screw’s size onto the bare strands; tug it. Nothing tinned: solder creeps in a crimp.',
  ferrule:
    'A ferrule over the bare strands, crimped with its own tool; tug it. Nothing tinned: solder creeps in a crimp.',
  ring: 'Crimp a ring terminal of the screw’s size onto the bare strands; tug it. It goes under a screw of the chassis, and touches no contact.',
  pin: 'Solder a pin to each, about 10 mm of it showing; sleeve in its colour down to that, and its number on it.',
};
/** A pin that holds without solder. */
const WOUND =
  'Wind the strands of each round a stiff wire pin, about 10 mm of it showing, and pinch them; tape, then shrink in its colour down to the pin, and its number on it.';
const isWound = (end: End, schools: Schools): boolean =>
  schools['tail-pins'] === 'wound' && end.loose?.[0]?.finish === 'pin';
const isSolderedOn = (end: End): boolean =>
  (end.loose ?? []).some(({ finish }) => finish === undefined || finish === 'tinned' || finish === 'pin');

/** With what loose wires are finished. */
function toolFor(end: End): ToolName {
  if (isSolderedOn(end)) return 'iron';
  return (end.loose ?? []).every(({ finish }) => finish === 'bare') ? 'jacket tool' : 'crimper';
}

/** A loose wire that comes out of a connector beside its cable is joined as it is finished; a tail’s own are the wires themselves. */
function madeHere(body: Body, end: End): { readonly joint?: string } {
  if (!body.ends.some(({ connector }) => connector)) return {};
  const joint = body.joints.find(({ terminals }) => terminals.some((each) => isOf(end.id, each)));
  return joint ? { joint: joint.id } : {};
}

/** Finishing the loose wires of a tail. */
export const finish = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  assembly.bodies.flatMap((body) =>
    body.ends
      .filter((end) => end.loose)
      .map((end): Operation => {
        const sleeves = wiresSleeved(assembly, body);
        return {
          id: `finish-${end.id}`,
          kind: 'finish',
          end: end.id,
          title: `Finish the loose wires of end ${end.id}: ${(end.loose ?? []).map((wire) => wire.id).join(', ')}`,
          detail: [
            ...sayStripped(assembly, body, end, schools),
            ...(end.loose?.[0]?.finish
              ? [isWound(end, schools) ? WOUND : FINISHED[end.loose[0].finish]]
              : [...new Set(Object.values(FINISHED))]),
            ...sleeves.map((each) => `${capital(sayDressing(each, schools))}.`),
          ],
          ...(sleeves.length > 0 ? { dressings: sleeves.map(({ id }) => id) } : {}),
          ...madeHere(body, end),
          tool: isWound(end, schools) ? 'heat gun' : toolFor(end),
          caution:
            isSolderedOn(end) && !isWound(end, schools)
              ? 'Hot iron; extract the rosin fumes, don’t breathe them. Clippings fly: eye protection.'
              : 'Clippings fly: eye protection.',
        };
      }),
  );

/** What comes off a cable whose wires end loose, and that each is marked; of wires without a jacket only that. */
function sayStripped(assembly: Assembly, body: Body, end: End, schools: Schools): readonly string[] {
  if (body.ends.some(({ connector }) => connector))
    return ['It comes out beside the cable; sleeve it where it is bare.'];
  const system = lengthSystem(schools);
  const off = stripsOf(assembly, schools).filter((each) => each.end === end.id && each.jacket === 'off');
  return [
    ...off.map(
      ({ jacketMm }) => `Strip ${formatLength(jacketMm, system)} of jacket; never through to the cores.`,
    ),
    'Sleeve each wire and mark it.',
  ];
}

/** Sleeves on the wires of a tail; those beside a connector are put on there. */
const wiresSleeved = (assembly: Assembly, body: Body): readonly Dressing[] =>
  body.ends.some(({ connector }) => connector)
    ? []
    : dressingsAt(assembly, body.id).filter(({ what }) => what === 'drain-sleeve' || what === 'stump-sleeve');
