import type { Assembly, Body } from './assembly';
import { jointsOf, leadTerminal, memberOf, placeOf } from './references';
import type { Part } from './parts';
import { sayWay } from './part-words';
import { sayConductor } from './words';

/**
 * Which way round a part goes in where it lies, by what each of its legs is joined to, a contact before anything else:
 * “plus toward white”. Nothing where it is the same either way.
 */
export function wayOf(assembly: Assembly, body: Body, part: Part): string | undefined {
  return sayWay(part, (lead) => {
    const terminal = leadTerminal(part.id, lead);
    const joint = jointsOf(body).find(({ terminals }) => terminals.includes(terminal));
    const beside = (joint?.terminals ?? []).filter((each) => each !== terminal);
    const contact = beside.find((each) => placeOf(assembly, each)?.kind === 'contact');
    const other = contact ?? beside[0];
    const place = other === undefined ? undefined : placeOf(assembly, other);
    return place === undefined || other === undefined
      ? 'nothing'
      : place.kind === 'contact'
        ? memberOf(other)
        : place.kind === 'lead'
          ? place.part.id
          : place.kind === 'conductor'
            ? sayConductor(assembly, other)
            : 'the case';
  });
}
