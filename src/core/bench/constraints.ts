import { OPERATION_KINDS, type Constraint, type OperationKind } from './types';

const JOINING = ['solder', 'link'] as const;

interface Also {
  /** Whether it holds at one end alone. */
  readonly atOneEnd?: boolean;
  readonly when?: Constraint['when'];
  readonly orAtOneEnd?: boolean;
  readonly ranked?: Constraint['ranked'];
}

/** Some kinds before others. */
const must = (
  id: string,
  earlier: OperationKind | readonly OperationKind[],
  later: OperationKind | readonly OperationKind[],
  says: string,
  { atOneEnd = false, ...also }: Also = {},
): Constraint => ({ id, says, earlier: [earlier].flat(), later: [later].flat(), atOneEnd, ...also });

/** The same at one end. */
const atOneEnd = (
  id: string,
  earlier: OperationKind | readonly OperationKind[],
  later: OperationKind | readonly OperationKind[],
  says: string,
): Constraint => must(id, earlier, later, says, { atOneEnd: true });

/** The same by the order of soldering. */
const inTurn = (id: string, earlier: OperationKind, later: OperationKind, says: string): Constraint =>
  must(id, earlier, later, says, { atOneEnd: true, ranked: true });

/** What must precede what, and why: the bench order is worked out from these and nothing else. */
export const CONSTRAINTS: readonly Constraint[] = [
  must('cut-before-braid', 'cut', 'braid', 'There is nothing to braid until the wires are cut.'),
  must(
    'braid-before-thread',
    'braid',
    ['thread', 'strip'],
    'A plug’s shell would hang on one wire and be braided in.',
  ),
  must('cut-first', 'cut', 'thread', 'There is nothing to thread onto until the cable is cut.'),
  must(
    'cut-before-part',
    'cut',
    ['part', 'pull', 'finish'],
    'There is nothing to part until the cable is cut.',
  ),
  must(
    'part-before-thread',
    'part',
    ['thread', 'strip'],
    'Boots go on the legs, and there are none before the cable is parted.',
  ),
  must(
    'bench-end-before-pull',
    'clamp',
    'pull',
    'The end that goes on site last is made after the finished one has been pulled.',
    { when: (a) => !a.site },
  ),
  must('pull-before-site-end', 'pull', OPERATION_KINDS, 'Its connector would not go through.', {
    when: (_, b) => b.site === true,
  }),
  must('finish-before-prove', 'finish', 'prove', 'Loose wires are proven finished.'),
  atOneEnd(
    'open-before-work',
    'open',
    ['unsolder', 'drill', 'feed', 'strip'],
    'What is inside has to be seen first.',
  ),
  atOneEnd('drill-before-feed', 'drill', 'feed', 'There is no way in yet.'),
  atOneEnd('unsolder-before-feed', 'unsolder', 'feed', 'The old lead is still in the way in.'),
  atOneEnd('unsolder-before-tin', 'unsolder', 'tin contacts', 'The old wires are still on the pads.'),
  atOneEnd('thread-before-feed', 'thread', 'feed', 'What stays outside cannot go on inside the device.'),
  must('whole-before-feed', ['cut', 'braid', 'part'], 'feed', 'There is no new lead yet that could go in.'),
  atOneEnd(
    'feed-before-strip',
    'feed',
    ['strip', ...JOINING],
    'A stripped end frays on its way, and a soldered one does not go in.',
  ),
  must('drill-before-solder', 'drill', JOINING, 'Filings get into what is soldered already.', {
    when: (a) => a.end === undefined,
  }),
  atOneEnd('thread-before-strip', 'thread', 'strip', 'A boot catches on a stripped end.'),
  must(
    'thread-both-ends-before-solder',
    'thread',
    JOINING,
    'Once either end is soldered, what was forgotten at the other can no longer come from this side.',
    { when: (a) => !a.site, orAtOneEnd: true },
  ),
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
  atOneEnd('trim-before-identify', 'trim', 'identify', 'Lacquer does not conduct.'),
  atOneEnd('identify-before-clamp', 'identify', 'clamp', 'What is not joined yet is not closed.'),
  atOneEnd('trim-before-tin', 'trim', 'tin cores', 'Only bare copper takes solder.'),
  atOneEnd('tin-before-blunt', 'tin cores', 'blunt', 'What is not tinned yet frays where it is cut.'),
  atOneEnd('blunt-before-solder', 'blunt', JOINING, 'Once it is joined it is cut no more.'),
  atOneEnd('sleeve-before-solder', 'sleeve', JOINING, 'A sleeve cannot go on over a joint.'),
  atOneEnd(
    'tin-cores-before-solder',
    'tin cores',
    JOINING,
    'A tinned wire takes at once; an untinned one must be held until the plastic goes.',
  ),
  atOneEnd('tin-contacts-before-solder', 'tin contacts', JOINING, 'A tinned contact takes at once.'),
  atOneEnd('link-before-solder', 'link', 'solder', 'A link lies under the conductors.'),
  inTurn('solder-in-order', 'solder', 'solder', 'The school’s order of soldering.'),
  inTurn('twist-in-turn', 'solder', 'twist', 'Far legs are trimmed when the parts hang on their cores.'),
  inTurn('twist-before-cups', 'twist', 'solder', 'Two legs go into one cup as one.'),
  atOneEnd('solder-before-inspect', 'solder', 'inspect', 'There is nothing to inspect yet.'),
  atOneEnd('solder-before-cool', 'solder', 'cool', 'It is the last joint that has to cool.'),
  atOneEnd('inspect-before-clamp', 'inspect', 'clamp', 'A closed shell hides the joints.'),
  must('solder-before-measure', JOINING, 'measure', 'What is measured here runs to the other ends.', {
    when: (a) => !a.site,
    orAtOneEnd: true,
  }),
  atOneEnd('inspect-before-measure', 'inspect', 'measure', 'What an eye sees is mended first.'),
  atOneEnd('measure-before-clamp', 'measure', 'clamp', 'Once it is closed nothing reaches it.'),
  atOneEnd(
    'inspect-before-shrink',
    ['inspect', 'measure'],
    'shrink',
    'What is under shrink is seen and measured no more.',
  ),
  must(
    'joined-before-late-shrink',
    [...JOINING, 'inspect'],
    'shrink',
    'The school’s: nothing is closed until every joint is made.',
    { when: (a, b) => b.waits === true && (!a.site || b.site === true) },
  ),
  atOneEnd('shrink-before-cool', 'shrink', 'cool', 'It is the last heat that has to go.'),
  atOneEnd('shrink-before-clamp', 'shrink', 'clamp', 'What is in the shell is shrunk before it is closed.'),
  must('closed-before-split', 'clamp', 'shrink', 'A leg may still have to be drawn through the split.', {
    when: (a, b) => !b.isAtAnEnd && !a.site,
  }),
  must('shrink-before-prove', 'shrink', 'prove', 'Heat can do harm: it is the finished lead that is proven.'),
  must('measure-before-prove', 'measure', 'prove', 'What was hidden cannot be proven afterwards.'),
  atOneEnd('cool-before-clamp', 'cool', 'clamp', 'A hot core can be pushed through into the screen.'),
  must(
    'clamp-before-prove',
    'clamp',
    'prove',
    'Closing can short or break what was good: it is the closed lead that is proven.',
  ),
  must(
    'loose-before-mount',
    ['solder', 'link', 'inspect', 'measure', 'shrink', 'cool'],
    'mount',
    'The circuit is proven loose: in the box nothing is reached.',
  ),
  must(
    'loose-before-lid',
    ['solder', 'link', 'inspect', 'measure', 'shrink', 'cool'],
    'clamp',
    'What is closed as a whole hides every joint in it.',
    { when: (_, b) => !b.isAtAnEnd },
  ),
  must('mount-before-lid', 'mount', 'clamp', 'The lid hides the nuts.', {
    when: (_, b) => !b.isAtAnEnd,
  }),
  atOneEnd('closed-before-seal', 'clamp', 'seal', 'What is open is not glued shut.'),
  must('prove-before-seal', 'prove', 'seal', 'What is glued is not opened to mend what is found.'),
  must('seal-before-label', 'seal', 'label', 'A label goes on what is finished.'),
  must('prove-before-label', 'prove', 'label', 'Only a good lead gets a number on it.'),
];
