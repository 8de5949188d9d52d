import { referenceProblems, type Assembly } from '../../assembly';
import { array, object } from 'yup';
import { bad, good, readShape, union, type Result, type Shape } from '../../quantity';
import { addEnd } from './add-end';
import { addPart } from './add-part';
import { changeCable } from './change-cable';
import { changeConnector } from './change-connector';
import { changePart } from './change-part';
import { cutBack } from './cut-back';
import { exchange } from './exchange';
import { identify } from './identify';
import { insulate } from './insulate';
import { join } from './join';
import { move } from './move';
import { putOn } from './put-on';
import { removeEnd } from './remove-end';
import { removeJoint } from './remove-joint';
import { removePart } from './remove-part';
import { separate } from './separate';
import { spare } from './spare';
import { stay } from './stay';
import { takeOff } from './take-off';

/** Every kind of edit. One is added by its file and its line. */
const KINDS = [
  join,
  move,
  exchange,
  separate,
  cutBack,
  insulate,
  spare,
  removeJoint,
  addPart,
  changePart,
  removePart,
  identify,
  putOn,
  takeOff,
  changeConnector,
  changeCable,
  addEnd,
  removeEnd,
  stay,
] as const;

type Kinds = (typeof KINDS)[number];
export type EditKindId = Kinds['kind'];
export const EDIT_KINDS: readonly EditKindId[] = KINDS.map((each) => each.kind);

type Shapes = { readonly [Kind in EditKindId]: Extract<Kinds, { readonly kind: Kind }>['shape'] };
const SHAPES = Object.fromEntries(KINDS.map((each) => [each.kind, each.shape])) as Shapes;

/** A change made to a lead by hand, as data: applied after deriving, and again whenever the intent changes. */
export const editSchema = union('kind', SHAPES);
export type Edit = Shape<typeof editSchema>;

interface AnyKind {
  apply(assembly: Assembly, edit: Edit): Result<Assembly>;
  says(edit: Edit, assembly: Assembly): string;
}
const BY_KIND = new Map<string, AnyKind>(KINDS.map((each) => [each.kind, each]));

/** Reads edits from outside, each checked at its own field. */
export function readEdits(document: unknown): Result<readonly Edit[]> {
  const read = readShape(
    object({
      edits: array(editSchema)
        .required()
        .typeError('Edits are a list: [{ "kind": "move", … }], with each change in it.'),
    }),
    { edits: document },
  );
  return read.ok ? good(read.value.edits) : read;
}

/** An edit in words, of the lead that it was made to. */
export const sayEdit = (edit: Edit, assembly: Assembly): string =>
  BY_KIND.get(edit.kind)?.says(edit, assembly) ?? edit.kind;

/** The assembly with one edit made to it; or why it cannot be made. The result refers to nothing that is not there. */
export function applyEdit(assembly: Assembly, edit: Edit): Result<Assembly> {
  const made = BY_KIND.get(edit.kind)?.apply(assembly, edit);
  if (!made) return bad('edit.kind', `There is no edit “${edit.kind}”.`, 'kind');
  if (!made.ok) return made;
  const problems = referenceProblems(made.value);
  return problems.length === 0 ? made : { ok: false, problems };
}

/** An edit that could not be made any more: its place among the edits, and why. */
export interface Lapsed {
  readonly edit: number;
  readonly says: string;
}

/** The assembly with all edits made to it in their order; those that cannot be made are left out, and listed. */
export function applyEdits(
  assembly: Assembly,
  edits: readonly Edit[],
): { readonly assembly: Assembly; readonly lapsed: readonly Lapsed[] } {
  let current = assembly;
  const lapsed: Lapsed[] = [];
  edits.forEach((edit, n) => {
    const made = applyEdit(current, edit);
    if (made.ok) current = made.value;
    else lapsed.push({ edit: n, says: made.problems[0]?.says ?? 'It can no longer be made.' });
  });
  return { assembly: current, lapsed };
}
