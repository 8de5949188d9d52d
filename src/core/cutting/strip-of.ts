import { connectorOf, type Assembly, type Body } from '../assembly';

/** With parts in the shell an XLR is stripped 38 mm, and the cores that go to them are cut to 10 (common practice). */
const WITH_PARTS = { xlrMm: 38, source: 'common practice: room for the parts' } as const;
/** What is left of a core that goes to a part, mm (common practice). */
export const CORE_WITH_PARTS = 10;
/** What parts take between a core that is cut to 10 mm and its contact, mm: 38 − 22 more than an XLR without (derived). */
const PARTS_TAKE = 16;
/** Jacket taken off a cable whose wires end loose, mm, and copper bared on each (common practice). */
const TAIL_STRIP = {
  jacketMm: { usual: 40 },
  bareMm: { usual: 8 },
  source: 'common practice',
};
/** Where a connector's entry does not say, mm (common practice, XLR). */
const USUAL_STRIP = { jacketMm: { usual: 22 }, bareMm: { usual: 3 }, source: 'common practice' };

/** How far back an end is stripped, mm, by its connector’s entry and what is built into its shell. */
export function stripOf(
  assembly: Assembly,
  body: Body,
): { readonly jacketMm: number; readonly bareMm: number; readonly source: string } | undefined {
  const [end] = body.ends;
  if (!end) return undefined;
  const connector = connectorOf(assembly, end);
  const { jacketMm, bareMm, source } = end.loose ? TAIL_STRIP : (connector?.strip ?? USUAL_STRIP);
  const plain = { jacketMm: jacketMm.usual, bareMm: bareMm.usual, source };
  if (body.kind !== 'shell' || body.parts.length === 0) return plain;
  return {
    ...plain,
    jacketMm: connector?.family.startsWith('xlr') ? WITH_PARTS.xlrMm : plain.jacketMm + PARTS_TAKE,
    source: WITH_PARTS.source,
  };
}
