import {
  bodyById,
  bodyOfEnd,
  cableOf,
  connectorOf,
  spanById,
  spanLengths,
  spansAt,
  type Assembly,
  type Dressing,
  type Span,
} from '../assembly';
import { rearOf } from '../catalogue';
import { bundleMm, shrinkFor, thicknessOf } from '../fit';

/** Over the split of a break-out, mm (common practice: 3 in). */
const SPLIT_MM = 75;
/** Left over at either end of expandable sleeving before it is cut (common practice), and how much shorter it gets as it swells (nominal). */
const [SLEEVING_OVER, SLEEVING_TAKE_UP] = [12, 1.15];

/** From the rear of a connector to well onto the jacket, mm (nominal). */
const REAR_MM = 50;

const SHRINKS = new Set<Dressing['what']>(['heat-shrink', 'adhesive-shrink', 'clear-shrink']);

/** A dressing that was asked for without a size or a length, with those that what lies under it asks for. */
export function sized(assembly: Assembly, dressing: Dressing): Dressing {
  const body = bodyById(assembly, dressing.over);
  if (body?.kind === 'breakout' && SHRINKS.has(dressing.what)) return overSplit(assembly, dressing, body.id);
  const span = spanById(assembly, dressing.over);
  if (span && dressing.what === 'expandable-sleeve') return alongSpan(assembly, dressing, span);
  return SHRINKS.has(dressing.what) && !dressing.size ? overRear(assembly, dressing) : dressing;
}

/** From the rear of a connector to the jacket: it waits on the cable, so it passes over what is wider and grips the jacket. */
function overRear(assembly: Assembly, dressing: Dressing): Dressing {
  const body = bodyById(assembly, dressing.over) ?? bodyOfEnd(assembly, dressing.over);
  const [end] = body?.ends ?? [];
  const [span] = body ? spansAt(assembly, body.id) : [];
  const connector = end && connectorOf(assembly, end);
  const jacket = span && thicknessOf(assembly, span);
  const rear = connector && rearOf(connector);
  if (!body || body.kind !== 'shell' || body.parts.length > 0 || jacket === undefined || rear === undefined)
    return dressing;
  const size = shrinkFor({ passesMm: Math.max(rear, jacket), gripsMm: jacket });
  return { ...dressing, ...(size ? { size } : {}), lengthMm: dressing.lengthMm ?? REAR_MM };
}

/** It comes over the legs, before there is anything on them, and ends half on the trunk and half on the legs together. */
function overSplit(assembly: Assembly, dressing: Dressing, split: string): Dressing {
  const spans = spansAt(assembly, split);
  const [trunk] = spans.filter(({ carries }) => !carries);
  const legs = spans.filter(({ carries }) => carries).flatMap((leg) => thicknessOf(assembly, leg) ?? []);
  const jacket = trunk && cableOf(assembly, trunk)?.jacketMm;
  if (jacket === undefined || legs.length === 0) return dressing;
  // Each leg with its own shrink on it, about half a millimetre of wall on either side.
  const together = bundleMm(legs.map((each) => each + 1));
  const size =
    dressing.size ?? shrinkFor({ passesMm: Math.max(jacket, together), gripsMm: Math.min(jacket, together) });
  return { ...dressing, ...(size ? { size } : {}), lengthMm: dressing.lengthMm ?? SPLIT_MM };
}

function alongSpan(assembly: Assembly, dressing: Dressing, span: Span): Dressing {
  const long = spanLengths(assembly).get(span.id);
  return long === undefined || dressing.lengthMm !== undefined
    ? dressing
    : { ...dressing, lengthMm: Math.round(long * SLEEVING_TAKE_UP + 2 * SLEEVING_OVER) };
}
