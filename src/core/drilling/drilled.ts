import { bodyOfEnd, connectorOf, endsOf, type Assembly, type Body } from '../assembly';

/** The pads that lie under a cover through which the wires go by holes of their own: those of a lamp’s switch. */
const UNDER_A_COVER: readonly string[] = ['switch-pads'];

/** What of a lead is drilled by a sheet: a box, or the cover of a device; nothing of most. */
export const drilledOf = (
  assembly: Assembly,
): { readonly is: 'box' | 'cover'; readonly body: Body } | undefined => {
  const box = assembly.bodies.find(({ kind }) => kind === 'box');
  if (box) return { is: 'box', body: box };
  const under = endsOf(assembly).find((end) =>
    UNDER_A_COVER.includes(connectorOf(assembly, end)?.family ?? ''),
  );
  const body = under && bodyOfEnd(assembly, under.id);
  return body && { is: 'cover', body };
};
