import { object } from 'yup';
import { bodyOfEnd, documentId, jointsOf, spansAt, type Body, type DressingWhat } from '../../assembly';
import { bad, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { eachBody } from './surgery';

/** Where a connector with its cable can come from another lead; boxes and devices are made, or are what they are. */
const STAYS: readonly Body['kind'][] = ['shell', 'barrel', 'tail'];

/** What a donor’s cable has on it from end to end. */
const LAID: readonly DressingWhat[] = ['braid', 'twist', 'expandable-sleeve'];

/** An end stays as it came, with the cable in it: the lead starts from a donor, cut to length, and only its other ends are made. */
export const stay = editKind({
  kind: 'stay',
  shape: object({ kind: kindOf('stay'), end: documentId }).noUnknown(),
  says: ({ end }) => `end ${end} and its cable stay as they came, from a donor lead`,
  apply(assembly, { end }) {
    const body = bodyOfEnd(assembly, end);
    if (!body) return noMore(`end ${end}`);
    const spans = spansAt(assembly, body.id);
    const [span] = spans;
    if (!STAYS.includes(body.kind) || !span)
      return bad('edit.donor', `End ${end} is no connector on a cable: no donor lead has it.`, 'end');
    if (body.asItCame) return bad('edit.donor', `End ${end} stays as it came already.`, 'end');
    if (spans.length > 1 || span.carries)
      return bad(
        'edit.donor',
        `Into end ${end} ${spans.length > 1 ? `go ${spans.length} cables` : 'goes the leg of a break-out'}: a donor is one cable with its connector.`,
        'end',
      );
    const far = assembly.bodies.find(({ id }) => id === (span.from === body.id ? span.to : span.from));
    if (far && far.joints.length === 0 && (far.existing ?? []).length > 0)
      return bad(
        'edit.donor',
        `End ${far.ends.map(({ id }) => id).join(', ')} at the other end of this cable stays as it came: nothing would be left to make.`,
        'end',
      );
    // Where one end is made on site, after the cable is pulled, it is now the other: this one has its connector already.
    const onSite = body.ends.some(({ madeOn }) => madeOn === 'site');
    const here = new Set([body.id, ...body.ends.map(({ id }) => id)]);
    return good({
      ...eachBody(assembly, (each) =>
        each.id === body.id
          ? {
              ...each,
              ends: each.ends.map((one) => ({ ...one, madeOn: 'bench' as const })),
              joints: [],
              existing: [...jointsOf(each)],
              asItCame: true,
            }
          : each.id === far?.id && onSite
            ? { ...each, ends: each.ends.map((one) => ({ ...one, madeOn: 'site' as const })) }
            : each,
      ),
      // What lies on a donor’s end came with it, and so did how its wires are laid, and its sleeving.
      dressings: assembly.dressings.filter(
        ({ what, over, at }) =>
          !here.has(over) && !(at && here.has(at)) && !(over === span.id && LAID.includes(what)),
      ),
    });
  },
});
