import {
  dressingKind,
  dressingsAt,
  dressingsOver,
  spansAt,
  type Assembly,
  type Body,
  type Dressing,
} from '../../assembly';
import { COLOURS } from '../../catalogue';
import { formatLength, sayList } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { Operation, Workplace } from '../types';

/** What goes over the jacket from the cable’s end, before there is anything on it. */
const OVER_JACKET: ReadonlySet<Dressing['what']> = new Set([
  'heat-shrink',
  'adhesive-shrink',
  'clear-shrink',
  'expandable-sleeve',
  'boot',
  'ring',
]);
/** What goes over a wire or a leg of a part, before its joint. */
const OVER_WIRE: ReadonlySet<Dressing['what']> = new Set(['joint-sleeve', 'stump-sleeve']);

const isBreakout = ({ bodies }: Assembly, id: string): boolean =>
  bodies.some((body) => body.id === id && body.kind === 'breakout');

/** Over an end, its body, or a cable that comes to it: at this side of it, or along it when its other side is a split. */
function isThreadedAt(assembly: Assembly, body: Body, { over, at, what, goesOn }: Dressing): boolean {
  const spans = spansAt(assembly, body.id);
  if (!OVER_JACKET.has(what) || goesOn !== 'before' || spans.length === 0) return false;
  if (over === body.id || body.ends.some(({ id }) => id === over)) return true;
  const span = spans.find(({ id }) => id === over);
  if (!span) return false;
  return at === undefined
    ? span.from === body.id
    : at === body.id || (span.carries !== undefined && isBreakout(assembly, at));
}

/** What is threaded on at an end beside the parts of its connector. */
export const threadedOn = ({ assembly, body }: Pick<Workplace, 'assembly' | 'body'>): readonly Dressing[] =>
  dressingsOver(
    assembly,
    body.id,
    ...body.ends.map(({ id }) => id),
    ...spansAt(assembly, body.id).map(({ id }) => id),
  ).filter((each) => isThreadedAt(assembly, body, each));

/** What has to be on the cable before it is parted: what ends up over the split, or on the trunk at this side. */
export const threadedAtSplit = (assembly: Assembly, split: string): readonly Dressing[] =>
  assembly.dressings.filter(
    ({ over, at, what, goesOn }) =>
      over === split ||
      (at === split &&
        goesOn === 'before' &&
        OVER_JACKET.has(what) &&
        assembly.spans.some(({ id, carries }) => id === over && !carries)),
  );

/** A dressing in a line: what, how large, how long, and where. */
export function sayDressing({ what, size, lengthMm, colour, says }: Dressing, schools: Schools): string {
  const bore = size && `${size.suppliedMm}${size.recoveredMm === undefined ? '' : `/${size.recoveredMm}`} mm`;
  const long = lengthMm === undefined ? undefined : formatLength(lengthMm, lengthSystem(schools));
  // A ring says its colour itself.
  const marked = colour !== undefined && !says.includes(COLOURS[colour]) ? COLOURS[colour] : undefined;
  const thing = [dressingKind(what)?.name.toLowerCase(), bore, long, marked].filter(Boolean).join(', ');
  const said = says.replace(/\.$/, '');
  return what === 'ring' || what === 'arrow' ? said : `${thing}: ${said}`;
}

/** Sleeves onto the wires and legs that are joined in the air. */
export const wireSleeves = ({ assembly, body, end, schools }: Workplace): readonly Operation[] => {
  const here = dressingsAt(assembly, body.id).filter(
    ({ what }) => what === 'joint-sleeve' && body.ends[0]?.id === end.id,
  );
  return here.length === 0
    ? []
    : [
        {
          id: `sleeves-${end.id}`,
          kind: 'sleeve',
          end: end.id,
          title: `Slide ${here.length === 1 ? 'a sleeve' : `${here.length} sleeves`} on at end ${end.id}, before the joints`,
          detail: [
            ...here.map((each) => `${sayDressing(each, schools)}.`),
            'Well away while soldering, or it shrinks early.',
          ],
          confirm: [
            here.length === 1
              ? 'the sleeve is on'
              : `${here.length === 2 ? 'both' : `all ${here.length}`} sleeves are on`,
          ],
          dressings: here.map(({ id }) => id),
        },
      ];
};

const HEAT = 'Heat gun: away from solvents and lubricants; it stays hot.';

/** What is shrunk at an end, once its joints are looked at and measured. */
export const shrink = ({ assembly, body, end, schools }: Workplace): readonly Operation[] => {
  const here = dressingsAt(assembly, body.id).filter(
    ({ what, closed }) =>
      (OVER_WIRE.has(what) || OVER_JACKET.has(what)) && closed === 'at once' && body.ends[0]?.id === end.id,
  );
  return here.length === 0
    ? []
    : [
        {
          id: `shrink-${end.id}`,
          kind: 'shrink',
          end: end.id,
          title: `Shrink the ${here.length === 1 ? 'sleeve' : `${here.length} sleeves`} at end ${end.id}`,
          detail: here.map((each) => `${sayDressing(each, schools)}.`),
          caution: HEAT,
          ...(schools['shrink-time'] === 'last' ? { waits: true } : {}),
          dressings: here.map(({ id }) => id),
        },
      ];
};

/** Which of several splits: by the ends of its legs. */
function sayWhere({ bodies, spans }: Assembly, split: Body): string {
  if (bodies.filter(({ kind }) => kind === 'breakout').length < 2) return '';
  const ends = spans
    .filter(({ carries, from, to }) => carries && (from === split.id || to === split.id))
    .flatMap(({ from, to }) => bodies.find(({ id }) => id === (from === split.id ? to : from))?.ends ?? []);
  return `, ends ${sayList(ends.map(({ id }) => id))}`;
}

/** What is shrunk over the split of a cable and along its legs, when their ends are closed. */
export const shrinkSplits = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  assembly.bodies
    .filter(({ kind }) => kind === 'breakout')
    .flatMap((body): Operation[] => {
      const here = assembly.dressings.filter(
        ({ what, at, over }) =>
          (OVER_JACKET.has(what) || OVER_WIRE.has(what)) &&
          what !== 'ring' &&
          (over === body.id || at === body.id),
      );
      return here.length === 0
        ? []
        : [
            {
              id: `shrink-${body.id}`,
              kind: 'shrink',
              title:
                here.length === 1
                  ? `Shrink the split${sayWhere(assembly, body)}`
                  : `Shrink the legs, then the split over them${sayWhere(assembly, body)}`,
              detail: [
                ...here.map((each) => `${sayDressing(each, schools)}.`),
                'Mark the channels before shrink hides the colours of the cores.',
              ],
              caution: HEAT,
              dressings: here.map(({ id }) => id),
            },
          ];
    });

/** Everything that no step has put on yet: what is written, tied or screwed on at the end. */
export const leftOver = (assembly: Assembly, done: ReadonlySet<string>): readonly Dressing[] =>
  assembly.dressings.filter(({ id, what }) => !done.has(id) && dressingKind(what)?.is !== 'construction');
