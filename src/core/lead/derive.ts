import { endsOf, type Assembly } from '../assembly';
import { bad, good, type Problem, type Result } from '../quantity';
import { channelNamed, notCarried, ofEnds, sayChannel, type LeftOut, type Situation } from '../situation';
import { wire, type Preference } from '../wiring';
import { LEAD_VERSION, type Lead } from './document';
import { applyEdits, type Edit } from './edits';

/** One problem for each role that a lead does not carry though nothing says why. */
function broken(
  assembly: Assembly,
  situations: readonly Situation[],
  leftOut: readonly LeftOut[],
): readonly Problem[] {
  return situations.flatMap((situation) =>
    notCarried(assembly, situation, leftOut).map(({ out, in: into, role }): Problem => {
      const name = (channel: string): string => {
        const found = channelNamed(situation, channel);
        return found ? sayChannel(found) : channel;
      };
      return {
        code: 'lead.not-carried',
        says: `This wiring does not carry the ${role} from ${name(out)} to ${name(into)}: choose another way of wiring it, or other ends.`,
        path: 'intent.wiring',
      };
    }),
  );
}

/** What the ends that a lead still has meet. */
export const meeting = (situations: readonly Situation[], assembly: Assembly): readonly Situation[] => {
  const ends = new Set(endsOf(assembly).map(({ id }) => id));
  return situations.map((situation) => ofEnds(situation, ends));
};

const isEmpty = (assembly: Assembly): boolean =>
  assembly.bodies.every((body) => body.joints.length === 0 && (body.existing ?? []).length === 0);

/**
 * Works a lead out from its intent, then makes the edits to it that were made by hand. Every link is then carried, role
 * for role, or the recipe has said in words why not: what it derives is held to that by the nets alone, before the edits.
 * A cable that the intent leaves open is chosen, with what the workshop has and pays where that is given. An edit that can no longer be made is listed in `because.lapsed`.
 *
 * Errors: those of the intent, each at its field; `lead.not-carried` and `lead.empty` where a wiring does not do what it
 * is for.
 *
 *     const lead = derive({ version: 5, from: [{ port: 'microphone', family: 'xlr3' }], to: [{ port: 'microphone-input',
 *       family: 'xlr3' }], length: { mm: 6000, datum: 'face' }, surroundings: 'stage', cable: 'pair-braid', schools: {} });
 *     lead.ok && lead.value.assembly.bodies.length; // 2
 */
export function derive(
  document: unknown,
  edits: readonly Edit[] = [],
  name = 'lead',
  preference: Preference = {},
): Result<Lead> {
  const wired = wire(document, preference);
  if (!wired.ok) return wired;
  const { intent, schools, situations, recipe, asks, reasons, leftOut } = wired.value;
  if (isEmpty(wired.value.assembly))
    return bad(
      'lead.empty',
      'Nothing is joined in this wiring: choose another way of wiring it.',
      'intent.wiring',
    );
  const problems = broken(wired.value.assembly, situations, leftOut);
  if (problems.length > 0) return { ok: false, problems };
  const { assembly, lapsed } = applyEdits(wired.value.assembly, edits);
  return good({
    antler: 'lead',
    version: LEAD_VERSION,
    name,
    intent,
    schools,
    edits,
    assembly,
    situations: meeting(situations, assembly),
    because: { recipe, asks, reasons, leftOut, lapsed },
  });
}
