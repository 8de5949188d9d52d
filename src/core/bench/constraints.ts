import type { Constraint, Operation, OperationKind } from './types';

const sameEnd = (a: Operation, b: Operation): boolean => a.end === b.end;
const joining = (op: Operation): boolean => op.kind === 'solder' || op.kind === 'link';

/** One kind before another at the same end. */
const atOneEnd = (id: string, earlier: OperationKind, later: OperationKind, says: string): Constraint => ({
  id,
  says,
  before: (a, b) => a.kind === earlier && b.kind === later && sameEnd(a, b),
});

/** What must precede what, and why: the bench order is worked out from these and nothing else. */
export const CONSTRAINTS: readonly Constraint[] = [
  {
    id: 'cut-first',
    says: 'There is nothing to thread onto until the cable is cut.',
    before: (a, b) => a.kind === 'cut' && b.kind === 'thread',
  },
  {
    id: 'cut-before-part',
    says: 'There is nothing to part until the cable is cut.',
    before: (a, b) => a.kind === 'cut' && (b.kind === 'part' || b.kind === 'pull' || b.kind === 'finish'),
  },
  {
    id: 'part-before-thread',
    says: 'Boots go on the legs, and there are none before the cable is parted.',
    before: (a, b) => a.kind === 'part' && (b.kind === 'thread' || b.kind === 'strip'),
  },
  {
    id: 'bench-end-before-pull',
    says: 'The end that goes on site last is made after the finished one has been pulled.',
    before: (a, b) => a.kind === 'clamp' && !a.site && b.kind === 'pull',
  },
  {
    id: 'pull-before-site-end',
    says: 'Its connector would not go through.',
    before: (a, b) => a.kind === 'pull' && b.site === true,
  },
  {
    id: 'finish-before-prove',
    says: 'Loose wires are proven finished.',
    before: (a, b) => a.kind === 'finish' && b.kind === 'prove',
  },
  atOneEnd('thread-before-strip', 'thread', 'strip', 'A boot catches on a stripped end.'),
  {
    id: 'thread-both-ends-before-solder',
    says: 'Once either end is soldered, what was forgotten at the other can no longer come from this side.',
    before: (a, b) => a.kind === 'thread' && joining(b) && (!a.site || sameEnd(a, b)),
  },
  atOneEnd('strip-before-screen', 'strip', 'screen', 'The screen is under the jacket.'),
  atOneEnd('strip-before-cut-back', 'strip', 'cut back', 'The core is under the jacket.'),
  atOneEnd('strip-before-trim', 'strip', 'trim', 'The cores are under the jacket.'),
  atOneEnd('screen-before-sleeve', 'screen', 'sleeve', 'Only a twisted screen goes into a sleeve.'),
  atOneEnd(
    'screen-before-trim',
    'screen',
    'trim',
    'All conductors are trimmed together, the twisted screen among them.',
  ),
  atOneEnd('cut-back-before-tin', 'cut back', 'tin cores', 'What is cut back is not tinned.'),
  atOneEnd('trim-before-tin', 'trim', 'tin cores', 'Only bare copper takes solder.'),
  {
    id: 'sleeve-before-solder',
    says: 'A sleeve cannot go on over a joint.',
    before: (a, b) => a.kind === 'sleeve' && joining(b) && sameEnd(a, b),
  },
  {
    id: 'tin-cores-before-solder',
    says: 'A tinned wire takes at once; an untinned one must be held until the plastic goes.',
    before: (a, b) => a.kind === 'tin cores' && joining(b) && sameEnd(a, b),
  },
  {
    id: 'tin-contacts-before-solder',
    says: 'A tinned contact takes at once.',
    before: (a, b) => a.kind === 'tin contacts' && joining(b) && sameEnd(a, b),
  },
  atOneEnd('link-before-solder', 'link', 'solder', 'A link lies under the conductors.'),
  {
    id: 'solder-in-order',
    says: 'The school’s order of soldering.',
    before: (a, b, rank) => a.kind === 'solder' && b.kind === 'solder' && sameEnd(a, b) && rank(a) < rank(b),
  },
  atOneEnd('solder-before-inspect', 'solder', 'inspect', 'There is nothing to inspect yet.'),
  atOneEnd('solder-before-cool', 'solder', 'cool', 'It is the last joint that has to cool.'),
  atOneEnd('inspect-before-clamp', 'inspect', 'clamp', 'A closed shell hides the joints.'),
  atOneEnd('cool-before-clamp', 'cool', 'clamp', 'A hot core can be pushed through into the screen.'),
  {
    id: 'clamp-before-prove',
    says: 'Closing can short or break what was good: it is the closed lead that is proven.',
    before: (a, b) => a.kind === 'clamp' && b.kind === 'prove',
  },
  {
    id: 'prove-before-label',
    says: 'Only a good lead gets a number on it.',
    before: (a, b) => a.kind === 'prove' && b.kind === 'label',
  },
];
